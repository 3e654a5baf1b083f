"""A fault drawn beside the right version, in the same place and scale.

A fault is posed from the right pose: the named joints go further, everything that lies or stands on something stays there,
and the limbs give.  It is drawn and never judged: nobody is asked to hold it.
"""

from dataclasses import replace

import numpy as np

from amvel.body import JOINTS, Posed, side_of, solve
from amvel.body.figure import silhouette
from amvel.body.tree import Array
from amvel.movements.cameras import view_of
from amvel.movements.figure import together
from amvel.movements.frames import Aim, Frame, mirrored
from amvel.movements.panel import Panel
from amvel.movements.picture import document, laid_out
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.movements.scenery import scenery
from amvel.movements.signs import SIGN, lens
from amvel.movements.wrong import Wrong

_GIVES, _GIVES_LITTLE, _HARDLY = 1.0, 6.0, 30.0  # stiffness of limbs, of the trunk, and of what goes wrong
NOT_SO = "#A6402E"
LEAST_SEEN_CM, _SMALL_CM = 1.0, 5.0  # less is not seen even enlarged; up to so much it is shown enlarged
_MOST = "compression_l4_l5_n"


def wrong_pose(profiler: Profiler, profile: Profile, wrong: Wrong, row: int) -> tuple[Frame, Posed] | None:
    """The frame at `row` gone wrong, and its pose; None where this body cannot be drawn so."""
    posed, declared = profile.posed, profile.declared
    assert posed is not None and declared is not None
    neutral = declared.neutral[row]
    right = profile.request.side == "right"
    start = _held(profile.frames[row], np.degrees(posed.angles[row] - neutral), posed, row)
    frame = mirrored(_go_wrong(mirrored(start), wrong)) if right else _go_wrong(start, wrong)
    spec = compile_frame(frame, f"{profile.request.label}, wrong", profiler.skeleton.body, profiler.capacities)
    found = solve(profiler.skeleton, [spec], profiler.stops_rad)
    if found.faults[0]:
        return None
    return frame, found


def _shift_cm(right: Panel, gone: Panel) -> tuple[str, float]:
    """The landmark that is furthest from its place in the picture, and how far."""
    far = {n: float(np.hypot(*np.subtract(gone.point(n), right.point(n)))) for n in right.skeleton.landmarks.index}
    most = max(far, key=lambda n: far[n])
    return most, far[most]


def _held(frame: Frame, deg: Array, posed: Posed, row: int) -> Frame:
    """The frame as it was solved: every joint where it is, the limbs ready to give."""
    angles = {name: float(deg[i]) for i, (name, _, _) in enumerate(JOINTS)}
    free = {name: _GIVES_LITTLE if side_of(name) == "" else _GIVES for name in angles}
    aims = tuple(a for a in frame.aims if _of_an_end(a))
    root_at = tuple(float(x) for x in 100 * posed.root_position[row])
    return replace(frame, root=posed.root_rotation[row], root_at_cm=(root_at[0], root_at[1], root_at[2]), angles=angles, free=free, aims=aims)


def _of_an_end(aim: Aim) -> bool:
    """Whether it places a hand or foot in the room, and not the trunk over it."""
    return aim.must_hold and aim.origin is None and side_of(aim.landmark) != ""


def _go_wrong(frame: Frame, wrong: Wrong) -> Frame:
    angles = {**frame.angles, **{n: frame.angles[n] + deg for n, deg in wrong.angles.items()}}
    free = {n: _HARDLY if n in wrong.angles else s for n, s in frame.free.items()}
    touches = tuple(t for t in frame.touches if t.landmark not in wrong.lifts)
    root = frame.root
    if wrong.turn_deg:
        a = np.radians(wrong.turn_deg)
        root = root @ np.array([[np.cos(a), -np.sin(a), 0.0], [np.sin(a), np.cos(a), 0.0], [0.0, 0.0, 1.0]])
    return replace(frame, angles=angles, free=free, touches=touches, root=root)


def fault_figure(profiler: Profiler, profile: Profile, wrong: Wrong) -> str:
    """The right version and the wrong one as an SVG document; '' where the fault cannot be drawn on this body."""
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        return ""
    shown = sorted({profile.rows[i] for i in profile.request.step.shown})
    row = max(shown, key=lambda i: float(profile.columns[_MOST][i]))  # where it is hardest, it goes wrong
    found = wrong_pose(profiler, profile, wrong, row)
    if found is None:
        return ""
    frame, posed = found
    view, solids = view_of(profile.request.family, profile), scenery(profiler.skeleton, profile)
    right = Panel(profiler, profile, row, view, solids)
    gone = Panel(profiler, replace(profile, frame_names=(frame.name,), frames=(frame,), posed=posed, rows=(0,)), 0, view, solids)
    gone.ghost = silhouette(right.parts)
    mark, far_cm = _shift_cm(right, gone)
    if wrong.domes:
        gone.front.append(_ridge(gone))
    elif far_cm < LEAST_SEEN_CM:
        return ""
    elif far_cm < _SMALL_CM:
        drawn, reach = lens(right, gone, mark, "")
        gone.front.append(drawn)
        gone.grow(*reach)
    together([right, gone])
    x, y = right.box[0] + 8, right.box[3] + 2
    for panel, sign in ((right, _RIGHT), (gone, _WRONG)):
        panel.front.append(f'<g transform="translate({x:.1f} {-y:.1f})">{sign}</g>')
        panel.grow((x, y + 9))
    return document(*laid_out([right, gone]), f"{profile.request.family.title}: {profile.request.step.title}")


_RIGHT = f'<circle r="6.5" fill="#FFFDF8" stroke="{SIGN}" stroke-width="1.4"/><path d="M-3.2 0.4l2.4 2.6l4.4 -5.6" fill="none" stroke="{SIGN}" stroke-width="1.7" stroke-linecap="round" stroke-linejoin="round"/>'
_WRONG = f'<rect x="-6" y="-6" width="12" height="12" rx="1.5" transform="rotate(45)" fill="#FFFDF8" stroke="{NOT_SO}" stroke-width="1.4"/><path d="M-3 -3l6 6M3 -3l-6 6" stroke="{NOT_SO}" stroke-width="1.7" stroke-linecap="round"/>'


def _ridge(panel: Panel) -> str:
    """What pushes up along the middle of the belly."""
    low, high = np.array(panel.point("pubis")), np.array(panel.point("breastbone"))
    belly, back = np.array(panel.point("belly")), np.array(panel.point("waist_back"))
    out = (belly - back) / max(float(np.hypot(*(belly - back))), 1e-6)
    a, b, top = low + 0.25 * (high - low), low + 0.8 * (high - low), belly + 7 * out
    data = f"M{a[0]:.1f} {-a[1]:.1f}Q{top[0]:.1f} {-top[1]:.1f} {b[0]:.1f} {-b[1]:.1f}"
    return f'<path d="{data}" fill="{NOT_SO}" fill-opacity="0.25" stroke="{NOT_SO}" stroke-width="1.2" stroke-linecap="round"/>'


__all__ = ["fault_figure", "wrong_pose"]
