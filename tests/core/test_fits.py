"""The room: what fits whom, what makes it up, what is refused, and what a step finds there."""

from dataclasses import replace
from math import radians

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from amvel.body import Measures, healthy, measure
from amvel.case import PROPS, Prop, Room, Seat
from amvel.fitting import check_room, fit_figure, fits, refused, seat_for, to_prepare, usable_seats
from amvel.fitting.fit import posed
from amvel.fitting.grip import needed, offered
from amvel.fitting.plan import fits_used
from amvel.fitting.seats import seat_for_hip
from amvel.fitting.stacking import FIRM, FOR_THE_HEAD, STACKABLE, stack
from amvel.movements import Profiler, Request, all_steps, find
from amvel.movements.needs import CUSHION, Furniture
from amvel.movements.room_measures import FitId
from amvel.safety import Envelope, Limit
from amvel.sources import COMMON_PRACTICE
from tests.bodies import body, profiler
from tests.conftest import demo
from tests.engines import engine_of

CHAIR = Seat(name="chair", height_cm=44, depth_cm=42, firmness="firm")
ROOM = Room(seats=(CHAIR,), wall=True, worktop=True, floor_grip="grips", soles="good_soles")
NOTHING = Envelope((), (), ())


def found(size: str, room: Room = ROOM, envelope: Envelope = NOTHING) -> dict:
    return {f.id: f for f in fits(profiler(size), room, envelope)}


def test_a_small_and_a_tall_person_need_the_same_chair_in_other_ways() -> None:
    """1.52 m and 1.86 m at a 44-cm chair: the small one lifts the feet, the tall one the seat, by the difference of
    their own seat heights (popliteal height about a quarter of stature, Drillis & Contini 1966, from memory)."""
    small, tall = found("small"), found("tall")
    assert tall["seat"].value - small["seat"].value == pytest.approx(24.9 * 0.34, abs=1.5)
    assert "feet" in small["foot_rest"].says
    assert tall["seat_raise"].value == pytest.approx(tall["seat"].value - 44, abs=1)
    for id in ("calf_support", "head_side", "wall", "belt", "free_floor"):
        assert tall[id].value > small[id].value, id


@pytest.mark.parametrize("size", ["small", "middle", "tall", "heavy"])
def test_every_fit_lies_in_its_tolerance_and_says_itself(size: str) -> None:
    for f in found(size).values():
        assert f.low - 0.5 <= f.value <= f.high + 0.5 or not f.fits, f.id
        assert f.says
        assert str(f.source)


def test_the_calf_support_keeps_hips_and_knees_at_a_right_angle() -> None:
    """Set-up angle in the 90/90 position is 90° (common practice, no source)."""
    p = profiler("middle")
    height = found("middle")["calf_support"].value
    profile = posed(p, "breathing_rest/calves_on_seat", calf_support_cm=float(height))
    for side in ("left", "right"):
        assert profile.peak(f"{side}.hip_flexion_deg") == pytest.approx(90, abs=6)
        assert profile.peak(f"{side}.knee_flexion_deg") == pytest.approx(90, abs=8)


def test_a_spacer_is_ten_to_fifteen_centimetres() -> None:
    """Common practice, no source."""
    for size in ("smallest", "small", "tall", "largest"):
        assert 10 <= found(size)["spacer"].value <= 15


def test_the_seat_for_a_hip_limit_is_the_lowest_one_that_holds_it() -> None:
    p = profiler("tall")
    for bound in (70.0, 80.0, 90.0):
        lowest = seat_for_hip(p, bound)
        assert lowest is not None

        def hip(seat_cm: float) -> float:
            profile = posed(p, "tall_sitting/unsupported", seat_cm=seat_cm)
            return max(profile.peak(f"{s}.hip_flexion_deg") for s in ("left", "right"))

        assert hip(lowest) <= bound
        assert lowest == 36 or hip(lowest - 1) > bound
    assert seat_for_hip(p, 5.0) is None


def test_a_hip_limit_raises_the_seat_and_says_by_what() -> None:
    limit = Limit("x.hip", "hip_flexion_deg", 65.0, "a reason", COMMON_PRACTICE)
    fit = found("tall", envelope=Envelope((limit,), (), ()))["hip_seat"]
    assert fit.value > 46
    assert "65" in fit.says
    assert "book" in fit.made_of or not fit.fits


def test_a_longer_seat_raise_means_less_hip_bend() -> None:
    """Common practice, no source."""
    p = profiler("middle")
    bends = [
        posed(p, "tall_sitting/unsupported", seat_cm=float(h)).peak("left.hip_flexion_deg")
        for h in (40, 46, 52)
    ]
    assert bends == sorted(bends, reverse=True)


@pytest.mark.parametrize(
    ("seat", "word"),
    [
        (Seat(name="office chair", height_cm=48, castors=True), "castors"),
        (Seat(name="sofa", height_cm=44, firmness="soft"), "soft"),
        (Seat(name="footstool", height_cm=24), "too low"),
    ],
)
def test_unsafe_furniture_is_refused_with_the_reason(seat: Seat, word: str) -> None:
    room = Room(seats=(seat,))
    assert word in refused(room, body())[0].reason
    assert usable_seats(room, body()) == []
    assert seat_for(body(), room) is None


def test_a_soft_bed_is_refused_and_a_firm_one_is_not() -> None:
    assert [r.what for r in refused(Room(bed_height_cm=50, bed_firmness="soft"), body())] == ["bed"]
    assert refused(Room(bed_height_cm=50, bed_firmness="firm"), body()) == []


def test_every_prop_of_the_library_has_alternatives() -> None:
    for need in {n for _, s in all_steps() for n in s.props}:
        assert need.serves, need.says
        assert {x for x in (*need.serves, *need.on_bed) if not isinstance(x, Furniture)} <= set(PROPS), need.says


def test_a_missing_small_thing_has_a_household_stand_in_and_furniture_has_none() -> None:
    family, step = find("clam/small_opening")
    assert CUSHION in step.props
    bare = check_room(body(), Room(wall=False), family, step, [{}])
    assert bare.lacking == ()
    assert bare.stand_ins == ("a bath towel rolled tight and tied as the firm cushion",)
    family, step = find("wall_plank/forearms")
    assert check_room(body(), Room(wall=False), family, step, [{}]).lacking == ("a free wall",)
    family, step = find("band_leg_press/press")
    assert check_room(body(), Room(), family, step, [{}]).lacking == ()


def test_a_band_from_the_side_needs_a_band_and_something_that_holds_it() -> None:
    family, step = find("band_press_out_seated/press")
    with_chair = Room(seats=(CHAIR,))
    assert "a stretch band" in check_room(body(), with_chair, family, step, [{}]).lacking
    fixed = Room(seats=(CHAIR,), props=(Prop(kind="band"),), anchor=True)
    assert check_room(body(), fixed, family, step, [{}]).lacking == ()


def test_grip_is_taken_as_poor_until_somebody_has_looked() -> None:
    best = offered(Room(floor_grip="grips", soles="good_soles"))
    assert best >= 0.5  # ANSI/ASSE A1264.2: static friction commonly required for walking
    assert offered(Room()) < offered(Room(floor_grip="grips")) < best
    assert offered(Room(floor_grip="slips", soles="socks")) <= min(
        offered(Room(floor_grip=g, soles=s)) for g in ("grips", "slips", "unknown") for s in ("good_soles", "bare_feet", "socks", "unknown")
    )  # fmt: skip


def test_further_from_the_wall_needs_more_grip() -> None:
    p = profiler("middle")
    asks = [needed(p, posed(p, "wall_plank/forearms", wall_cm=float(w))) for w in (35, 50, 65)]
    assert asks == sorted(asks)
    assert asks[-1] > asks[0]


def test_no_step_by_the_wall_or_standing_needs_more_grip_than_a_slippery_floor_gives() -> None:
    """A leg that slides is the one thing that no cue mends: at their start values all stay under the lowest counted."""
    p = profiler("middle")
    least = offered(Room())
    for family, step in all_steps():
        if family.position not in ("at the wall", "standing") or family.asked_for:
            continue
        side = "left" if step.sides else "both"
        profile = p.profile(Request(family, step, side, step.defaults(p.body)))
        assert needed(p, profile) <= least, family.ref(step)


def test_over_the_chair_follows_trunk_and_seat_depth() -> None:
    shallow = Room(seats=(CHAIR.model_copy(update={"depth_cm": 36}),))
    deep = Room(seats=(CHAIR.model_copy(update={"depth_cm": 46}),))
    assert found("middle", shallow)["over_chair"].value == found("middle", deep)["over_chair"].value + 10


def test_a_fit_with_a_picture_draws_its_measure() -> None:
    p = profiler("middle")
    drawn = {f.id: fit_figure(p, f) for f in fits(p, ROOM, NOTHING) if f.drawing}
    assert {"seat", "calf_support", "wall"} <= set(drawn)
    for id, svg in drawn.items():
        assert svg.startswith("<svg"), id
        assert " cm</text>" in svg, id


@given(st.floats(0.5, 40), st.sampled_from([FIRM, FOR_THE_HEAD, STACKABLE]))
@settings(max_examples=80, deadline=None)
def test_a_stack_is_near_enough_and_uses_only_what_may_be_used(gap: float, kinds: tuple[str, ...]) -> None:
    made = stack(gap, Room(props=(Prop(kind="cushion"), Prop(kind="block", count=2))), 1.5, kinds=kinds)
    if made is None:
        return
    assert abs(made.height_cm - gap) <= 3.0
    assert set(made.pieces) <= set(kinds)
    assert made.pieces.count("block") <= 2


def test_a_measured_thickness_counts_and_the_fewest_pieces_win() -> None:
    room = Room(props=(Prop(kind="block", size_cm=6, count=1),))
    made = stack(6, room, 1.0)
    assert made is not None
    assert made.says() == "1 firm block (6 cm)"
    plain = stack(9, Room(), 1.0)
    assert plain is not None
    assert plain.says() == "3 books (9 cm)"
    assert stack(0.2, Room(), 1.0).says() == "nothing"


def test_bare_prop_ids_are_read_and_unknown_ones_refused() -> None:
    assert Room(props=["towel"]).has("towel")
    with pytest.raises(ValidationError, match="trampoline"):
        Room(props=["trampoline"])


def test_a_rounded_upper_back_gets_a_pad_under_the_head() -> None:
    import math

    from amvel.body import Measures, measure

    straight = found("middle")["head_back"].value
    round_body = measure(Measures(1.65, 62, "female", None, None, math.radians(25)))
    rounded = {f.id: f for f in fits(Profiler(round_body, healthy()), ROOM, NOTHING)}["head_back"]
    assert rounded.value > straight + 2


def test_a_rounded_back_lies_with_the_head_on_the_pad_that_the_room_is_told_of() -> None:
    """The pose that is judged and drawn has the very pad of the fit; without it the neck would bend back."""
    rounded = measure(Measures(1.60, 58, "female", kyphosis_extra_rad=radians(20)))
    p = Profiler(rounded, healthy())
    profile = posed(p, "breathing_rest/knees_bent")
    pad = profile.frames[0].surfaces["head pad"].at_cm
    assert next(f for f in fits(p, ROOM, NOTHING) if f.id == "head_back").value == pytest.approx(pad, abs=0.5)
    assert pad > 8
    assert profile.peak("neck_extension_deg") < 5


def test_a_rounded_chest_is_filled_face_down_so_that_the_neck_stays_long() -> None:
    """By hand: the breastbone comes back by about the sine of the rounding times its way above the joint that rounds."""
    p = Profiler(measure(Measures(1.60, 58, "female", kyphosis_extra_rad=radians(30))), healthy())
    chest = next(f for f in fits(p, ROOM, NOTHING) if f.id == "chest")
    assert 3 < chest.value < 12
    assert "book" not in chest.made_of  # soft things only
    assert chest.id in fits_used(*find("prone_breathing/hands_beside")) & fits_used(*find("shoulder_blade_slide/slide"))
    face_down = posed(p, "prone_breathing/hands_beside")
    assert not face_down.fault
    assert face_down.frames[0].surfaces["chest pad"].at_cm == pytest.approx(chest.value, abs=0.5)
    straight = posed(Profiler(measure(Measures(1.60, 58, "female")), healthy()), "prone_breathing/hands_beside")
    assert face_down.peak("neck_extension_deg") < straight.peak("neck_extension_deg") + 8
    assert not [f for f in fits(profiler("middle"), ROOM, NOTHING) if f.id == "chest"]


@pytest.mark.parametrize("size", ["small", "middle", "smallest"])
def test_a_straight_back_lies_flat_without_a_pad(size: str) -> None:
    assert posed(profiler(size), "breathing_rest/knees_bent").frames[0].surfaces["head pad"].at_cm == 0.0


def test_the_client_reads_of_grip_only_where_it_is_lacking() -> None:
    found = fits(profiler("middle"), ROOM, NOTHING)
    holds = next(f for f in found if f.id == "grip")
    assert holds.fits
    assert "grip" not in {f.id for f in to_prepare(found)}
    slides = [replace(f, fits=False) if f.id == "grip" else f for f in found]
    assert "grip" in {f.id for f in to_prepare(slides)}


def test_nothing_that_asks_for_nothing_is_prepared() -> None:
    for size in ("smallest", "middle", "largest"):
        for f in to_prepare(fits(profiler(size), ROOM, NOTHING)):
            assert f.value > 0
            assert not f.says.startswith("Or ")


def test_of_two_chairs_the_client_gets_one_ready() -> None:
    """Common practice, no source: the one that needs least; the other is named in the room and not laid out at home."""
    room = Room(seats=(Seat(name="stool", height_cm=36, firmness="firm"), Seat(name="bench", height_cm=38, firmness="firm")), props=("books", "block", "towel"))
    found = [f for f in fits(profiler("middle"), room, NOTHING) if f.id == "seat_raise" and f.value > 0]
    assert [f.best for f in found].count(True) == 1 and len(found) == 2
    assert to_prepare(found) == [f for f in found if f.best]


@pytest.mark.parametrize("gap_cm", [0.3, 1.0, 2.9, 3.0, 3.1, 5.0, 7.5, 12.4])
def test_what_has_to_be_so_high_at_least_is_never_lower(gap_cm: float) -> None:
    """A limit stands behind such a height: a centimetre less is a hip bent too far."""
    made = stack(gap_cm, Room(), 2.0, at_least=True)
    assert made is not None and made.pieces and gap_cm <= made.height_cm <= gap_cm + 4.0
    if gap_cm > 2.0:  # otherwise nothing at all is near enough
        near = stack(gap_cm, Room(), 2.0)
        assert near is not None and len(near.pieces) <= len(made.pieces)


def test_a_seat_that_may_not_be_lower_is_raised_by_the_next_thing_that_is_high_enough() -> None:
    """42 cm where 43 is the least: one book, and never 'nothing'."""
    engine = engine_of(demo("low-bone-mass"))
    room = engine.case.room.model_copy(update={"seats": tuple(s.model_copy(update={"height_cm": 42.0}) for s in engine.case.room.seats)})
    found = {f.id: f for f in fits(engine.profiler, room, engine.envelope)}
    lowest = found[FitId.RISING_SEAT]
    assert lowest.value > 42 and "1 book (3 cm)" in lowest.says
