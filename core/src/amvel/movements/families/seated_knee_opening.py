"""Seated knee opening: the side of the hip, sitting; a band or the own hands give the work."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_SINKS
from amvel.movements.frames import Band, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import BAND, FIRM_CHAIR
from amvel.movements.positions import hip_wide, sitting
from amvel.movements.promise import joint
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong


def _banded(frame: Frame, pull_n: float) -> Frame:
    """A closed loop round both thighs."""
    return frame.band(Band("left.knee", pull_n, to="right.knee"))


def _open(frame: Frame, deg: float, sides: tuple[str, ...], name: str) -> Frame:
    opened = {f"{x}_hip_abduction": deg for x in sides}
    give = {f"{x}_{j}": 0.2 for x in sides for j in ("hip_rotation", "ankle_inversion")}
    return frame.with_(name, **opened).free_(**give)


def _seated(s: Setting) -> Frame:
    """The feet stay where they are: whoever opens the knee turns the thigh out over its foot."""
    return sitting(s.body, s.number("seat_cm")).aim(hip_wide(s.body))


def _one(s: Setting) -> list[Frame]:
    start = _seated(s)
    return [start, _open(start, s.number("open_deg"), ("left",), "one knee out")]


def _both(s: Setting) -> list[Frame]:
    start = _banded(_seated(s), s.number("band_n"))
    return [start, _open(start, s.number("open_deg"), ("left", "right"), "both knees out")]


_OPEN = Parameter("open_deg", "how far the knee opens", "deg", 15, low=4, high=25, grid=1, easier="down", shows=joint("left.hip.abduction"))
_BAND = Parameter("band_n", "pull of the band at the start", "N", 10, low=5, high=60, grid=5, easier="down")
FAMILY = (
    Ladder(
        "seated_knee_opening",
        "Seated knee opening",
        "sitting",
        "The side of the hip works while both sit bones stay heavy.",
        setup=("Sit tall on a firm seat, feet flat and close together.",),
        cues=("the knee goes out, the foot stays", "close as slowly as you opened"),
        faults=(
            TRUNK_SINKS,
            Fault(
                "leans_away", "leans away", "the trunk goes to the other side", "the hip is weak", "half the range, stay tall", Wrong({"lumbar.side_bend": -14})
            ),
            BREATH_HELD,
        ),
        felt="the side of the buttock",
        not_felt="the groin, the low back",
        breath=breath(exhale("to open"), back=inhale("to close")),
        props=(FIRM_CHAIR,),
        view="front",
        arrow="left.knee",
        parameters=(_OPEN, SEAT),
    )
    .rung("one_knee", "One knee", _one, Dose(10, 1, 4.0), {"hip_out": 0.5, "deep_control": 0.2}, 1, sides=True,
        do=(
            "Sit tall, feet close together.",
            "Breathe {out} and open one knee, the foot turning on its place; both sit bones stay heavy.",
            "Breathe {in} and close it as slowly.",
        ),
    )
    .rung(
        "both_with_a_band",
        "Both knees against a band",
        _both,
        Dose(10, 2, 5.0),
        {"hip_out": 0.8, "deep_control": 0.2},
        3,
        parameters=(_OPEN, _BAND, SEAT),
        props=(FIRM_CHAIR, BAND),
        do=(
            "A band round the thighs, feet close together.",
            "Breathe {out} and open both knees evenly against the band.",
            "Breathe {in} and let it close them slowly.",
        ),
    )
    .family()
)
