"""The measured and estimated body: lengths, depths, masses and centres of mass of every segment.

Lengths are fractions of stature (Drillis & Contini 1966), masses and centres of mass follow
de Leva 1996 (adults).  The trunk of that table is cut again at L4/5, T12/L1 and T7/8 by taking
each of its three parts as uniform along its length.  SI units throughout.
"""

from dataclasses import dataclass, field
from functools import lru_cache

from amvel.languages import said
from amvel.literature import DE_LEVA, DRILLIS_CONTINI, JENSEN
from amvel.sources import ours

LENGTHS = DRILLIS_CONTINI
MASSES = DE_LEVA
SPINE_LEVELS = ours("joint heights along the spine, estimated from vertebral heights")

GROWTH = JENSEN.says("mass shares of growing bodies; the head's share by age, legs lighter, the rest in proportion", reading=True)
ADULT_FROM_YEARS = 18
# Age in years: share of body mass in head and neck, and how heavy the legs are against an adult's share.
GROWING = {
    6: (0.170, 0.84),
    8: (0.145, 0.88),
    10: (0.123, 0.92),
    12: (0.106, 0.95),
    14: (0.092, 0.98),
    16: (0.080, 0.99),
}

# Share of body mass (de Leva 1996, table 4).
MASS_SHARE = {
    "male": {
        "head": 0.0694,
        "upper_trunk": 0.1596,
        "middle_trunk": 0.1633,
        "lower_trunk": 0.1117,
        "upper_arm": 0.0271,
        "forearm": 0.0162,
        "hand": 0.0061,
        "thigh": 0.1416,
        "shank": 0.0433,
        "foot": 0.0137,
    },
    "female": {
        "head": 0.0668,
        "upper_trunk": 0.1545,
        "middle_trunk": 0.1465,
        "lower_trunk": 0.1247,
        "upper_arm": 0.0255,
        "forearm": 0.0138,
        "hand": 0.0056,
        "thigh": 0.1478,
        "shank": 0.0481,
        "foot": 0.0129,
    },
}
# Centre of mass from the proximal joint, share of segment length (de Leva 1996, table 4).
COM_SHARE = {
    "male": {
        "upper_arm": 0.5772,
        "forearm": 0.4574,
        "hand": 0.3624,
        "thigh": 0.4095,
        "shank": 0.4459,
        "foot": 0.4415,
    },
    "female": {
        "upper_arm": 0.5754,
        "forearm": 0.4559,
        "hand": 0.3427,
        "thigh": 0.3612,
        "shank": 0.4416,
        "foot": 0.4014,
    },
}
# Heights above the hip axis that bound the three trunk parts of de Leva, share of hip-to-C7 height:
# navel, xiphoid, C7 (male 145.7, 361.2, 603 mm; female 181.5, 386.8, 615 mm).
TRUNK_BOUNDS = {"male": (0.242, 0.599, 1.0), "female": (0.295, 0.629, 1.0)}

# Fractions of stature.
LIMB = {
    "upper_arm": 0.186,
    "forearm": 0.146,
    "hand": 0.108,
    "thigh": 0.245,
    "shank": 0.246,
    "ankle_height": 0.039,
    "foot": 0.152,
}
HIP_HALF_WIDTH = 0.050
FOOT_BREADTH = 0.055  # of the stature (Drillis & Contini 1966, from memory)
SHOULDER_HALF_WIDTH = 0.105
# (x forward, z up) of the spine joints above the hip axis in relaxed standing.
SPINE = {
    "lumbar": (-0.008, 0.075),
    "lower_thoracic": (-0.024, 0.155),
    "upper_thoracic": (-0.036, 0.232),
    "neck": (-0.014, 0.320),
    "head": (0.004, 0.395),
}
SHOULDER = (-0.014, 0.275)
VERTEX = 0.470
BMI_OF_TABLE = 23.0


class BodyError(ValueError):
    """The person's measures do not describe a body this model covers; the message names the measure."""


@dataclass(frozen=True)
class Measures:
    """What is known of a person's size. Lengths in metres, mass in kilograms, sex 'female' or 'male'."""

    stature_m: float
    mass_kg: float
    sex: str
    popliteal_height_m: float | None = None
    arm_span_m: float | None = None
    kyphosis_extra_rad: float = 0.0
    growing_age_years: int | None = None  # below 18 only


@dataclass(frozen=True)
class Segment:
    """One rigid part: mass (kg), centre of mass and length in its own frame (m), its parent and joint."""

    name: str
    parent: str | None
    joint: tuple[float, float, float]
    mass_kg: float
    com: tuple[float, float, float]


@dataclass(frozen=True)
class Anthropometry:
    """Every segment of one person in standing, and the girth factor that widens soft tissue."""

    measures: Measures
    segments: tuple[Segment, ...] = field(hash=False)
    lengths_m: dict[str, float] = field(hash=False)
    girth: float = field(default=1.0, hash=False)

    @property
    def stature_m(self) -> float:
        return self.measures.stature_m

    @property
    def mass_kg(self) -> float:
        return self.measures.mass_kg


def _limb_lengths(m: Measures) -> dict[str, float]:
    lengths = {name: share * m.stature_m for name, share in LIMB.items()}
    if m.popliteal_height_m is not None:
        estimated = popliteal_height_m(m.stature_m)
        lengths["shank"] *= 1 + (m.popliteal_height_m - estimated) / lengths["shank"]
    if m.arm_span_m is not None:
        factor = m.arm_span_m / m.stature_m
        for part in ("upper_arm", "forearm", "hand"):
            lengths[part] *= factor
    return lengths


def popliteal_height_m(stature_m: float) -> float:
    """Height of the hollow of the knee above the floor, sitting, in shoes (common practice: about a quarter)."""
    return 0.249 * stature_m


def mass_shares(m: Measures) -> dict[str, float]:
    """Share of body mass of each segment (limbs: one side); sums to one with both sides counted."""
    adult = MASS_SHARE[m.sex]
    if m.growing_age_years is None:
        return adult
    head, legs = _grown(m.growing_age_years, adult["head"])
    weights = {
        k: v * (legs if k in ("thigh", "shank", "foot") else 1.0) for k, v in adult.items() if k != "head"
    }
    paired = {k: 1 if "trunk" in k else 2 for k in weights}
    rest = sum(v * paired[k] for k, v in weights.items())
    return {"head": head, **{k: v * (1 - head) / rest for k, v in weights.items()}}


def _grown(age: int, adult_head: float) -> tuple[float, float]:
    """Interpolated between the ages of the table and the adult."""
    table = {**GROWING, ADULT_FROM_YEARS: (adult_head, 1.0)}
    ages = sorted(table)
    at = min(max(age, ages[0]), ages[-1])
    low = max(a for a in ages if a <= at)
    high = min(a for a in ages if a >= at)
    t = 0.0 if high == low else (at - low) / (high - low)
    (h0, l0), (h1, l1) = table[low], table[high]
    return h0 + t * (h1 - h0), l0 + t * (l1 - l0)


def _slices(m: Measures) -> dict[str, tuple[float, float]]:
    """Mass (kg) and height of the centre (m above the hip axis) of pelvis, lumbar, lower and upper thorax."""
    share, bounds = mass_shares(m), TRUNK_BOUNDS[m.sex]
    top = SPINE["neck"][1]
    edges = [0.0, *(b * top for b in bounds)]
    parts = ("lower_trunk", "middle_trunk", "upper_trunk")
    cuts = [0.0, SPINE["lumbar"][1], SPINE["lower_thoracic"][1], SPINE["upper_thoracic"][1], top]
    found = {}
    for name, low, high in zip(
        ("pelvis", "lumbar", "lower_thorax", "upper_thorax"), cuts[:-1], cuts[1:], strict=True
    ):
        mass = moment = 0.0
        for part, start, end in zip(parts, edges[:-1], edges[1:], strict=True):
            a, b = max(low, start), min(high, end)
            if b > a:
                piece = share[part] * (b - a) / (end - start)
                mass += piece
                moment += piece * (a + b) / 2
        found[name] = (mass * m.mass_kg, moment / mass * m.stature_m)
    return found


@lru_cache(maxsize=64)
def measure(m: Measures) -> Anthropometry:
    """Build the body of one person, adult or growing; the same one for the same measures.

    Raises BodyError when sex, stature or mass lies outside what the tables describe.
    """
    if m.sex not in MASS_SHARE:
        raise BodyError(said("sex: '{sex}' has no segment table; use 'female' or 'male' (choose by build)", sex=m.sex))
    if not 0.95 <= m.stature_m <= 2.20:
        raise BodyError(said("stature: {stature_m} m is outside 0.95–2.20 m", stature_m=f"{m.stature_m:.2f}"))
    if not 14 <= m.mass_kg <= 220:
        raise BodyError(said("mass: {mass_kg} kg is outside 14–220 kg", mass_kg=f"{m.mass_kg:.0f}"))
    h, share, com = m.stature_m, mass_shares(m), COM_SHARE[m.sex]
    girth = (m.mass_kg / (BMI_OF_TABLE * h * h)) ** 0.5
    lengths = _limb_lengths(m)
    trunk = _slices(m)

    def at(joint: str) -> tuple[float, float]:
        x, z = SPINE[joint]
        return x * h, z * h

    def step(lower: str, upper: str) -> tuple[float, float, float]:
        (x0, z0), (x1, z1) = at(lower), at(upper)
        return (x1 - x0, 0.0, z1 - z0)

    def above(part: str, joint: str) -> tuple[float, float, float]:
        return (0.012 * h, 0.0, trunk[part][1] - at(joint)[1])

    segments = [
        Segment("pelvis", None, (0, 0, 0), trunk["pelvis"][0], (0.0, 0, trunk["pelvis"][1])),
        Segment(
            "lumbar",
            "pelvis",
            (at("lumbar")[0], 0, at("lumbar")[1]),
            trunk["lumbar"][0],
            above("lumbar", "lumbar"),
        ),
        Segment(
            "lower_thorax",
            "lumbar",
            step("lumbar", "lower_thoracic"),
            trunk["lower_thorax"][0],
            above("lower_thorax", "lower_thoracic"),
        ),
        Segment(
            "upper_thorax",
            "lower_thorax",
            step("lower_thoracic", "upper_thoracic"),
            trunk["upper_thorax"][0],
            above("upper_thorax", "upper_thoracic"),
        ),
        Segment(
            "neck",
            "upper_thorax",
            step("upper_thoracic", "neck"),
            0.15 * share["head"] * m.mass_kg,
            (0.0, 0, 0.03 * h),
        ),
        Segment(
            "head", "neck", step("neck", "head"), 0.85 * share["head"] * m.mass_kg, (0.004 * h, 0, 0.022 * h)
        ),
    ]
    for side, s in (("left", 1), ("right", -1)):
        segments += _arm(side, s, h, m.mass_kg, share, com, lengths)
        segments += _leg(side, s, h, m.mass_kg, share, com, lengths)
    return Anthropometry(m, tuple(segments), lengths, girth)


def _arm(
    side: str,
    s: int,
    h: float,
    mass: float,
    share: dict[str, float],
    com: dict[str, float],
    length: dict[str, float],
) -> list[Segment]:
    xt, zt = SPINE["upper_thoracic"]
    xs, zs = SHOULDER
    root = (-0.02 * h - xt * h, s * 0.03 * h, (zs - zt) * h)
    to_shoulder = ((xs + 0.02) * h, s * (SHOULDER_HALF_WIDTH - 0.03) * h, 0.0)
    return [
        Segment(f"{side}.scapula", "upper_thorax", root, 0.0, (0, 0, 0)),
        Segment(
            f"{side}.upper_arm",
            f"{side}.scapula",
            to_shoulder,
            share["upper_arm"] * mass,
            (0, 0, -com["upper_arm"] * length["upper_arm"]),
        ),
        Segment(
            f"{side}.forearm",
            f"{side}.upper_arm",
            (0, 0, -length["upper_arm"]),
            share["forearm"] * mass,
            (0, 0, -com["forearm"] * length["forearm"]),
        ),
        Segment(
            f"{side}.hand",
            f"{side}.forearm",
            (0, 0, -length["forearm"]),
            share["hand"] * mass,
            (0, 0, -com["hand"] * length["hand"]),
        ),
    ]


def _leg(
    side: str,
    s: int,
    h: float,
    mass: float,
    share: dict[str, float],
    com: dict[str, float],
    length: dict[str, float],
) -> list[Segment]:
    heel = -0.28 * length["foot"]
    foot_com = heel + com["foot"] * length["foot"]
    ankle = length["ankle_height"]
    return [
        Segment(
            f"{side}.thigh",
            "pelvis",
            (0, s * HIP_HALF_WIDTH * h, 0),
            share["thigh"] * mass,
            (0, 0, -com["thigh"] * length["thigh"]),
        ),
        Segment(
            f"{side}.shank",
            f"{side}.thigh",
            (0, 0, -length["thigh"]),
            share["shank"] * mass,
            (0, 0, -com["shank"] * length["shank"]),
        ),
        Segment(
            f"{side}.foot",
            f"{side}.shank",
            (0, 0, -length["shank"]),
            0.9 * share["foot"] * mass,
            (foot_com - 0.01 * h, 0, -0.5 * ankle),
        ),
        Segment(
            f"{side}.toes",
            f"{side}.foot",
            (0.48 * length["foot"], 0, -0.75 * ankle),
            0.1 * share["foot"] * mass,
            (0.1 * length["foot"], 0, 0),
        ),
    ]
