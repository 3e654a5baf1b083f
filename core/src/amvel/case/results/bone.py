"""Bone density and what a vertebral fracture leaves behind."""

from typing import Literal

from pydantic import model_validator

from amvel.case.faults import fault
from amvel.case.parts import ask
from amvel.case.result import Result
from amvel.languages import said

GROUP = "Bone"


class BoneDensity(Result):
    """One site of one scan. A density needs the device make; a T-score may stand alone."""

    TITLE, GROUP = "Bone density (from a report)", GROUP
    test: Literal["bone_density"]
    site: Literal["lumbar_spine", "total_hip", "femoral_neck", "one_third_radius"] = ask(
        "Site", titles={"one_third_radius": "One-third radius"}
    )
    t_score: float | None = ask("T-score", default=None, ge=-7, le=5)
    z_score: float | None = ask("Z-score", default=None, ge=-7, le=5)
    density_g_cm2: float | None = ask("Density", "g/cm²", default=None, gt=0.2, lt=2.5)
    device: Literal["hologic", "lunar"] | None = ask(
        "Scale of the device", default=None, titles={"hologic": "Hologic scale", "lunar": "Lunar scale"}
    )
    vertebrae_used: int | None = ask("Vertebrae used (spine)", default=None, ge=0, le=4)
    spine_altered: bool = ask("Spine with osteophytes, calcium or a curve", default=False)

    @model_validator(mode="after")
    def _something_measured(self) -> "BoneDensity":
        if self.t_score is None and self.z_score is None and self.density_g_cm2 is None:
            raise fault(said("give a T-score, a Z-score or a density"), "t_score")
        if self.density_g_cm2 is not None and self.t_score is None and self.device is None:
            raise fault(said("a density can only be read with the make of the device"), "device")
        if self.vertebrae_used is not None and self.site != "lumbar_spine":
            raise fault(said("only for the lumbar spine"), "vertebrae_used")
        return self


class WallToOcciput(Result):
    TITLE, GROUP = "Wall to back of the head", GROUP
    MAIN, TAKES = "cm", "smallest"
    test: Literal["wall_to_occiput"]
    cm: float = ask("Distance", "cm", ge=0, le=30)
    trials: tuple[float, ...] = ()


class RibToPelvis(Result):
    TITLE, GROUP = "Rib to pelvis", GROUP
    test: Literal["rib_to_pelvis"]
    finger_breadths: float = ask("Fits between", "finger breadths", ge=0, le=8)
