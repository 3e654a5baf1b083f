"""The open input: one client's case.  Units stand in the names; unknown fields are refused."""

from datetime import date
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

Side = Literal["left", "right"]
Sex = Literal["female", "male"]


class _Part(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class Person(_Part):
    """Who is screened. `tallest_stature_cm` is the tallest the person remembers."""

    name: str = Field(default="", max_length=120)
    birth_date: date
    sex: Sex = Field(description="selects the segment and score tables")
    stature_cm: float = Field(ge=120, le=220)
    mass_kg: float = Field(ge=28, le=220)
    tallest_stature_cm: float | None = Field(default=None, ge=120, le=225)
    last_stature_cm: float | None = Field(
        default=None, ge=120, le=225, description="stature at the last measurement before this one"
    )
    popliteal_height_cm: float | None = Field(default=None, ge=28, le=58)
    arm_span_cm: float | None = Field(default=None, ge=110, le=240)


class Consent(_Part):
    """Recorded before the first test."""

    on: date
    given_by: Literal["client", "proxy"]
    capacity_confirmed: bool


STOP_SIGNS = Literal[
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
]


class StopSignAnswers(_Part):
    """All stop signs were asked on this day; `present` lists those answered yes."""

    asked_on: date
    present: tuple[STOP_SIGNS, ...] = ()


class _Condition(_Part):
    noted_on: date | None = None


class Fracture(_Condition):
    kind: Literal["fracture"]
    site: Literal["spine", "hip", "pelvis", "humerus", "forearm", "wrist", "rib", "ankle", "other"]
    on: date
    from_standing_height_or_less: bool | None = None
    healed: bool = True
    painful: bool = False


class Glucocorticoid(_Condition):
    kind: Literal["glucocorticoid"]
    mg_per_day: float = Field(gt=0, le=200)
    months: float = Field(gt=0, le=600)


class EarlyMenopause(_Condition):
    kind: Literal["early_menopause"]


class Denosumab(_Condition):
    kind: Literal["denosumab"]
    last_dose_on: date


class Fall(_Condition):
    kind: Literal["fall"]
    on: date
    injury: bool = False


class FearOfFalling(_Condition):
    kind: Literal["fear_of_falling"]
    confidence_0_to_10: int = Field(ge=0, le=10)


class WristTrouble(_Condition):
    """A painful wrist; a healed fracture alone is not one."""

    kind: Literal["wrist_trouble"]
    side: Side
    tolerated_extension_deg: float | None = Field(default=None, ge=0, le=90)
    tolerated_load_percent_bw: float | None = Field(default=None, ge=0, le=100)


class KneeTrouble(_Condition):
    kind: Literal["knee_trouble"]
    side: Side
    tolerated_loaded_flexion_deg: float | None = Field(default=None, ge=0, le=140)
    kneeling: Literal["tolerated", "padded", "not_tolerated", "unknown"] = "unknown"


class ShoulderTrouble(_Condition):
    kind: Literal["shoulder_trouble"]
    side: Side
    tolerated_elevation_deg: float | None = Field(default=None, ge=0, le=180)
    tolerated_load_percent_bw: float | None = Field(default=None, ge=0, le=100)


class FlexionSciatica(_Condition):
    """Leg pain that bending forward provokes; temporary, with a review date."""

    kind: Literal["flexion_sciatica"]
    side: Side
    since: date
    provoking_neural_line_deg: float | None = Field(default=None, ge=0, le=160)
    rotation_provokes: bool = False


Condition = Annotated[
    Fracture
    | Glucocorticoid
    | EarlyMenopause
    | Denosumab
    | Fall
    | FearOfFalling
    | WristTrouble
    | KneeTrouble
    | ShoulderTrouble
    | FlexionSciatica,
    Field(discriminator="kind"),
]


class _Test(_Part):
    on: date


class BoneDensity(_Test):
    """One site of one scan. A density needs the device make; a T-score may stand alone."""

    test: Literal["bone_density"]
    site: Literal["lumbar_spine", "total_hip", "femoral_neck", "one_third_radius"]
    t_score: float | None = Field(default=None, ge=-7, le=5)
    z_score: float | None = Field(default=None, ge=-7, le=5)
    density_g_cm2: float | None = Field(default=None, gt=0.2, lt=2.5)
    device: Literal["hologic", "lunar"] | None = None

    @model_validator(mode="after")
    def _something_measured(self) -> "BoneDensity":
        if self.t_score is None and self.z_score is None and self.density_g_cm2 is None:
            raise ValueError("give a T-score, a Z-score or a density")
        if self.density_g_cm2 is not None and self.t_score is None and self.device is None:
            raise ValueError("a density can only be read with the make of the device")
        return self


class TimedUpAndGo(_Test):
    test: Literal["timed_up_and_go"]
    seconds: float = Field(gt=2, le=180)


class ChairStand(_Test):
    test: Literal["chair_stand_30s"]
    count: int = Field(ge=0, le=60)
    arms_used: bool = False


class FourStageBalance(_Test):
    """Seconds held in each stage, at most 10; a stage not reached is left out."""

    test: Literal["four_stage_balance"]
    side_by_side_s: float = Field(ge=0, le=10)
    semi_tandem_s: float | None = Field(default=None, ge=0, le=10)
    tandem_s: float | None = Field(default=None, ge=0, le=10)
    one_leg_s: float | None = Field(default=None, ge=0, le=10)


class BloodPressure(_Test):
    """Lying 5 min, then standing 1 and 3 min. Standing values are left out when they were not taken."""

    test: Literal["blood_pressure"]
    systolic_lying_mmhg: int = Field(ge=60, le=280)
    diastolic_lying_mmhg: int = Field(ge=30, le=180)
    systolic_standing_1min_mmhg: int | None = Field(default=None, ge=40, le=280)
    diastolic_standing_1min_mmhg: int | None = Field(default=None, ge=20, le=180)
    systolic_standing_3min_mmhg: int | None = Field(default=None, ge=40, le=280)
    diastolic_standing_3min_mmhg: int | None = Field(default=None, ge=20, le=180)
    symptoms: bool = False
    resting_pulse_per_min: int | None = Field(default=None, ge=25, le=220)

    @model_validator(mode="after")
    def _order(self) -> "BloodPressure":
        if self.diastolic_lying_mmhg >= self.systolic_lying_mmhg:
            raise ValueError("diastolic must be below systolic")
        return self


class HipFlexion(_Test):
    test: Literal["hip_flexion"]
    side: Side
    deg: float = Field(ge=30, le=150)


class StraightLegRaise(_Test):
    test: Literal["straight_leg_raise"]
    side: Side
    deg: float = Field(ge=5, le=120)
    response: Literal["none", "stretch", "leg_pain"] = "none"


class FloorRise(_Test):
    test: Literal["floor_rise"]
    result: Literal["alone", "with_furniture", "with_help", "unable"]


class RangeTest(_Test):
    """A measured range of the trunk or a limb joint."""

    test: Literal["joint_range"]
    joint: Literal[
        "trunk_flexion",
        "trunk_extension",
        "trunk_rotation",
        "trunk_side_bend",
        "shoulder_elevation",
        "knee_flexion",
        "ankle_dorsiflexion",
        "wrist_extension",
        "hip_abduction",
        "hip_extension",
    ]
    side: Side | None = None
    deg: float = Field(ge=0, le=180)

    @model_validator(mode="after")
    def _sided(self) -> "RangeTest":
        if self.joint.startswith("trunk") == (self.side is not None):
            raise ValueError("trunk ranges have no side, limb ranges need one")
        return self


TestResult = Annotated[
    BoneDensity
    | TimedUpAndGo
    | ChairStand
    | FourStageBalance
    | BloodPressure
    | HipFlexion
    | StraightLegRaise
    | FloorRise
    | RangeTest,
    Field(discriminator="test"),
]


class Seat(_Part):
    name: str = Field(max_length=60)
    height_cm: float = Field(ge=20, le=90)
    arms: bool = False
    castors: bool = False


class Room(_Part):
    """What is there. Props are everyday words from `fitting.PROPS`."""

    name: str = Field(default="home", max_length=60)
    seats: tuple[Seat, ...] = ()
    wall: bool = True
    worktop: bool = False
    floor_mat: bool = False
    bed_height_cm: float | None = Field(default=None, ge=20, le=90)
    props: tuple[str, ...] = ()


class Tolerates(_Part):
    """Positions the person can get to and stay in, as asked or tried."""

    floor: Literal["yes", "no", "unknown"] = "unknown"
    lying_flat: Literal["yes", "no", "unknown"] = "unknown"
    face_down: Literal["yes", "no", "unknown"] = "unknown"


class Wishes(_Part):
    minutes: int = Field(default=25, ge=5, le=90)
    effort_0_to_10: int = Field(default=6, ge=1, le=10)
    days_per_week: int = Field(default=4, ge=1, le=7)
    dislikes: tuple[str, ...] = ()
    goals: tuple[str, ...] = ()


class Override(_Part):
    """One limit, one step, one side, opened by a person with the right to it until a day."""

    limit_id: str
    step: str
    side: Side | Literal["both"]
    by: str = Field(min_length=2)
    role: Literal["specialist", "clinician"]
    reason: str = Field(min_length=5)
    on: date
    expires_on: date


class Case(_Part):
    """One client, as of one day."""

    format: Literal["amvel-case-1"] = "amvel-case-1"
    as_of: date
    person: Person
    consent: Consent | None = None
    stop_signs: StopSignAnswers | None = None
    conditions: tuple[Condition, ...] = ()
    tests: tuple[TestResult, ...] = ()
    room: Room = Room()
    tolerates: Tolerates = Tolerates()
    wishes: Wishes = Wishes()
    overrides: tuple[Override, ...] = ()
    previous_steps: tuple[str, ...] = Field(
        default=(), description="steps of the last programme, 'family/step'"
    )

    @model_validator(mode="after")
    def _dates(self) -> "Case":
        if self.person.birth_date > self.as_of:
            raise ValueError("person.birth_date lies after as_of")
        if age_years(self.person.birth_date, self.as_of) < 18:
            raise ValueError("person.birth_date: this version covers adults of 18 and over only")
        if age_years(self.person.birth_date, self.as_of) > 110:
            raise ValueError("person.birth_date: more than 110 years ago")
        for name, items in (("tests", self.tests), ("conditions", self.conditions)):
            for i, item in enumerate(items):
                for field in ("on", "since", "last_dose_on", "noted_on"):
                    day = getattr(item, field, None)
                    if day is None:
                        continue
                    if day < self.person.birth_date:
                        raise ValueError(f"{name}.{i}.{field}: {day} lies before the birth date")
                    if day > self.as_of:
                        raise ValueError(f"{name}.{i}.{field}: {day} lies after as_of {self.as_of}")
        for i, override in enumerate(self.overrides):
            if override.expires_on <= override.on:
                raise ValueError(f"overrides.{i}.expires_on: must lie after the day it was given")
        return self


def age_years(birth: date, on: date) -> int:
    """Completed years of age."""
    return on.year - birth.year - ((on.month, on.day) < (birth.month, birth.day))


class CaseError(ValueError):
    """The case is refused; `faults` holds (path, reason) pairs."""

    def __init__(self, faults: list[tuple[str, str]]) -> None:
        super().__init__("; ".join(f"{path}: {reason}" for path, reason in faults))
        self.faults = faults


def read_case(data: Any) -> Case:
    """Validate a case; raises CaseError with one fault per field."""
    from pydantic import ValidationError

    try:
        return Case.model_validate(data)
    except ValidationError as error:
        faults = []
        for e in error.errors():
            path = "$" + "".join(
                f"[{p}]" if isinstance(p, int) else f".{p}" for p in e["loc"] if not _is_tag(p)
            )
            faults.append((path, e["msg"].removeprefix("Value error, ")))
        raise CaseError(faults) from error


def _tags() -> set[str]:
    """The words that pydantic puts into a path to say which kind of condition or test it tried."""
    schema = Case.model_json_schema()["$defs"].values()
    return {
        p[key]["const"]
        for d in schema
        for p in (d.get("properties", {}),)
        for key in ("kind", "test")
        if "const" in p.get(key, {})
    }


_TAGS = _tags()


def _is_tag(part: object) -> bool:
    return part in _TAGS
