"""One slow step ahead, as every movement that steps takes it: weight over, foot up, foot down, weight between the feet."""

from amvel.body import Anthropometry
from amvel.movements.frames import Aim, Frame
from amvel.movements.positions import SIDEWAYS, left_foot_up, stands_on_both

_FOREFOOT = 5.45  # cm per metre of stature ahead of the ankle, still over the standing foot (our choice)


def stepped_ahead(start: Frame, body: Anthropometry, step_cm: float, turned_out_deg: float = 0.0) -> list[Frame]:
    """From `start`: weight on one foot, foot on its way, foot landed, weight between the feet.

    `turned_out_deg` turns the stepping foot out at the hip while it is in the air.
    """
    over = start.free_(**SIDEWAYS).unaim("centre_of_mass").aim(
        Aim("centre_of_mass", "x", _FOREFOOT * body.stature_m, origin="right.ankle"),
        Aim("centre_of_mass", "y", 0.0, origin="right.ankle", weight=0.5),
        *stands_on_both(body),
    )
    over = over.with_("weight on one foot")
    out = {"left_hip_rotation": -turned_out_deg} if turned_out_deg else {}
    light = left_foot_up(over)
    light = light.with_(
        "foot on its way", left_hip_flexion=28.0, left_knee_flexion=34.0, left_ankle_dorsiflexion=6.0, left_hip_abduction=0.0, **out
    )
    landed = over.unaim("left.ankle").aim(Aim("left.ankle", "x", step_cm, origin="right.ankle"), *stands_on_both(body))
    landed = landed.with_("foot landed", left_hip_flexion=24.0, left_knee_flexion=14.0, right_knee_flexion=24.0, **out)
    landed = landed.with_(right_hip_flexion=14.0).free_(right_knee_flexion=0.2, right_hip_flexion=0.1, left_hip_flexion=0.1)
    between = landed.unaim("centre_of_mass").aim(
        Aim("centre_of_mass", "x", 0.5 * step_cm + 4.0, origin="right.ankle", weight=0.5),
        Aim("centre_of_mass", "y", 8.0 * body.stature_m * 0.6, origin="right.ankle", weight=0.5),
    )
    return [over, light, landed, between.with_("weight between the feet")]


__all__ = ["stepped_ahead"]
