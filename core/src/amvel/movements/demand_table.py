"""What every step asks of one body, as a table to be read through: would a biomechanist believe each line?"""

from amvel.body import Measures, healthy, measure
from amvel.movements.declaration import POSITIONS
from amvel.movements.library import all_steps
from amvel.movements.profile import Profile, Request
from amvel.movements.profiler import Profiler

BODY = Measures(1.65, 63, "female")
_LEVELS = ("t7_t8", "t12_l1", "l4_l5")
_PARTS = {
    "head": ("head",),
    "hands": ("left.hand", "right.hand"),
    "forearms": ("left.forearm", "right.forearm"),
    "shoulders": ("left.shoulder", "right.shoulder"),
    "knees": ("left.knee", "right.knee"),
    "seat": ("left.sit_bone", "right.sit_bone"),
    "feet": ("left.foot", "right.foot"),
}
_HEAD = (
    "| step | pelvic control | " + " | ".join(f"{n} moment" for n in ("T7/8", "T12/L1", "L4/5")) + " | "
    "compression T7/8 | T12/L1 | L4/5 | loaded | supports, left/right |\n|---|---|---|---|---|---|---|---|---|---|"
)


def demand_table() -> str:
    """Markdown: peaks over all frames of every step's first side, within each position from light to heavy at L4/5."""
    body = measure(BODY)
    profiler = Profiler(body, healthy())
    requests = [
        Request(f, s, "left" if s.sides else "both", s.defaults(body)) for f, s in all_steps()
    ]
    profiles = profiler.profiles(requests)
    lines = [
        "# What every step asks of one body",
        "",
        "Made by `./amvel demand -o docs/demand.md`; not edited by hand. A woman of 1.65 m and 63 kg with healthy ranges, each step",
        "at its defaults, the larger of all its frames (also those in between). Moments in N·m, compression and supports in % of body",
        "weight. Compression compares poses with each other; it is no measurement of a vertebra.",
        "",
    ]
    for position in POSITIONS:
        rows = [p for p in profiles if p.request.family.position == position]
        rows.sort(key=lambda p: (p.peak("compression_l4_l5_percent_bw"), p.request.label))
        lines += [f"## {position[0].upper()}{position[1:]}", "", _HEAD, *(_row(p) for p in rows), ""]
    return "\n".join(lines) + "\n"


def _row(p: Profile) -> str:
    pelvic = "/".join(
        f"{p.peak(f'pelvic_{way}_moment_nm'):.0f}" for way in ("flexion", "rotation", "side")
    )
    moments = " | ".join(f"{p.peak(f'moment_{level}_nm'):.0f}" for level in _LEVELS)
    compression = " | ".join(f"{p.peak(f'compression_{level}_percent_bw'):.0f}" for level in _LEVELS)
    loaded = "yes" if p.peak("loaded") else "no"
    return f"| {p.request.label} | {pelvic} | {moments} | {compression} | {loaded} | {_supports(p)} |"


def _supports(p: Profile) -> str:
    said = []
    for name, parts in _PARTS.items():
        values = [p.peak(f"{part}_support_percent_bw") for part in parts]
        if max(values) >= 1:
            said.append(f"{name} " + "/".join(f"{v:.0f}" for v in values))
    return ", ".join(said)


__all__ = ["BODY", "demand_table"]
