"""Named points on the surface of the body: where it touches things and what is measured from.

Positions are in the frame of their segment (x forward, y left, z up, in standing with the palms
to the thighs), in metres, scaled by stature; soft tissue is scaled by girth as well.
"""

from collections.abc import Callable

import numpy as np

from amvel.body.anthropometry import SPINE, VERTEX, Anthropometry

# name: (segment, x, y, z, girth-dependent?) as fractions of stature.
_MIDLINE = {
    "hip_axis": ("pelvis", 0.0, 0.0, 0.0, False),
    "sacrum": ("pelvis", -0.072, 0.0, 0.035, True),
    "pubis": ("pelvis", 0.055, 0.0, 0.005, True),
    "occiput": ("head", -0.072 - SPINE["head"][0], 0.0, 0.030, False),
    "forehead": ("head", 0.052, 0.0, 0.040, False),
    "vertex": ("head", 0.0, 0.0, VERTEX - SPINE["head"][1], False),
    "eyes": ("head", 0.055, 0.0, 0.015, False),
    "waist_back": ("lumbar", -0.055, 0.0, 0.040, True),
    "upper_back": ("upper_thorax", -0.074 - SPINE["upper_thoracic"][0], 0.0, 0.025, False),
    "breastbone": ("upper_thorax", 0.085, 0.0, 0.0, True),
    "belly": ("lumbar", 0.072, 0.0, 0.035, True),
    "mid_back": ("lower_thorax", -0.078 - SPINE["lower_thoracic"][0], 0.0, 0.035, False),
    "head_side_left": ("head", 0.0, 0.042, 0.025, False),
    "head_side_right": ("head", 0.0, -0.042, 0.025, False),
    "heart": ("upper_thorax", 0.045, 0.0, 0.01, False),
}
# Left side; the right mirrors y.
_PAIRED = {
    "sit_bone": ("pelvis", -0.022, 0.036, -0.052, True),
    "hip_bone": ("pelvis", 0.050, 0.065, 0.052, False),
    "hip": ("pelvis", 0.0, 0.050, 0.0, False),
    "hip_side": ("pelvis", 0.0, 0.098, -0.005, True),
    "buttock": ("pelvis", -0.075, 0.045, 0.0, True),
    "shoulder_side": ("upper_arm", 0.0, 0.032, -0.008, False),
    "shoulder": ("upper_arm", 0.0, 0.0, 0.0, False),
    "elbow": ("forearm", 0.0, 0.0, 0.0, False),
    "elbow_tip": ("forearm", -0.022, 0.0, 0.002, False),
    "wrist": ("hand", 0.0, 0.0, 0.0, False),
    "knee": ("shank", 0.0, 0.0, 0.0, False),
    "ankle": ("foot", 0.0, 0.0, 0.0, False),
    "knee_front": ("shank", 0.030, 0.0, -0.008, False),
    "knee_side": ("shank", 0.0, 0.030, 0.0, False),
    "knee_inside": ("shank", 0.0, -0.026, 0.0, False),
    "thigh_under": ("thigh", -0.040, 0.0, -0.120, True),
    "thigh_top": ("thigh", 0.042, 0.0, -0.130, True),
    "shin": ("shank", 0.030, 0.0, -0.060, False),
    "ankle_side": ("foot", 0.0, 0.020, 0.0, False),
}
# Shares of the segment's own length (z and x along it), with the stature fraction of its thickness.
_ALONG = {
    "palm": ("hand", "hand", -0.20, -0.013),
    "knuckles": ("hand", "hand", -0.55, 0.0),
    "fingertips": ("hand", "hand", -1.0, 0.0),
    "forearm_under": ("forearm", "forearm", -0.75, 0.0),
    "calf": ("shank", "shank", -0.45, 0.0),
}


class Landmarks:
    """The points of one body: `index[name]` gives the row in `segment` and `local_m` (N×3)."""

    def __init__(self, body: Anthropometry, segment_index: dict[str, int]) -> None:
        self.index: dict[str, int] = {}
        segments: list[int] = []
        points: list[tuple[float, float, float]] = []

        def add(name: str, segment: str, x: float, y: float, z: float) -> None:
            self.index[name] = len(points)
            segments.append(segment_index[segment])
            points.append((x, y, z))

        h, g = body.stature_m, body.girth
        for name, (segment, x, y, z, soft) in _MIDLINE.items():
            wide = g if soft else 1.0
            add(name, segment, x * h * wide, y, z * h)
        for side, s in (("left", 1), ("right", -1)):
            for name, (segment, x, y, z, soft) in _PAIRED.items():
                own = segment if segment == "pelvis" else f"{side}.{segment}"
                wide = g if soft else 1.0
                add(
                    f"{side}.{name}",
                    own,
                    x * h * wide,
                    s * y * h * wide,
                    z * h * (wide if name == "sit_bone" else 1.0),
                )
            self._add_along(add, body, side, s)
        for segment_row, segment_data in enumerate(body.segments):
            self.index[f"com.{segment_data.name}"] = len(points)
            segments.append(segment_row)
            points.append(segment_data.com)
        self.segment = np.array(segments)
        self.local_m = np.array(points)

    @staticmethod
    def _add_along(
        add: Callable[[str, str, float, float, float], None], body: Anthropometry, side: str, s: int
    ) -> None:
        h, length = body.stature_m, body.lengths_m
        for name, (segment, of, along, thick) in _ALONG.items():
            add(f"{side}.{name}", f"{side}.{segment}", 0.0, s * thick * h, along * length[of])
        add(f"{side}.calf_under", f"{side}.shank", -0.034 * h * body.girth, 0.0, -0.45 * length["shank"])
        add(f"{side}.forearm_side", f"{side}.forearm", -0.018 * h, 0.0, -0.75 * length["forearm"])
        foot, ankle = length["foot"], length["ankle_height"]
        add(f"{side}.heel", f"{side}.foot", -0.20 * foot, 0.0, -ankle)
        add(f"{side}.heel_back", f"{side}.foot", -0.28 * foot, 0.0, -0.6 * ankle)
        add(f"{side}.ball", f"{side}.foot", 0.45 * foot, 0.0, -ankle)
        add(f"{side}.instep", f"{side}.foot", 0.30 * foot, 0.0, -0.15 * ankle)
        add(f"{side}.foot_outer", f"{side}.foot", 0.2 * foot, s * 0.022 * h, -0.8 * ankle)
        add(f"{side}.foot_inner", f"{side}.foot", 0.2 * foot, -s * 0.022 * h, -0.8 * ankle)
        add(f"{side}.toe_tip", f"{side}.toes", 0.24 * foot, 0.0, -0.2 * ankle)
        add(f"{side}.toe_under", f"{side}.toes", 0.10 * foot, 0.0, -0.25 * ankle)
