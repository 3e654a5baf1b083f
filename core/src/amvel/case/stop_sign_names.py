"""The stop signs by name: what is asked first of everybody, or of who has a condition that says so."""

from typing import Literal

StopSignName = Literal[
    "saddle_numbness",
    "bladder_or_bowel_change",
    "weakness_of_both_legs",
    "chest_pain",
    "stroke_signs",
    "severe_breathlessness",
    "sudden_midback_pain",
    "weight_loss_or_fever_with_back_pain",
    "cancer_history_with_night_pain",
    "progressive_weakness",
    "groin_or_thigh_pain_on_bone_medicine",
    "fall_with_head_strike",
    "unable_to_bear_weight",
    "fainting",
    "acute_fever",
    "swollen_calf",
    "bleeding_or_contractions_in_pregnancy",
    "autonomic_dysreflexia",
    "shunt_or_raised_pressure_signs",
    "upper_neck_signs",
    "pre_eclampsia_signs",
]

__all__ = ["StopSignName"]
