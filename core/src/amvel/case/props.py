"""The catalogue of small props: what each is, how thick it usually is, and what in a household stands in for it.

Sizes and stand-ins are common practice, no source.  A stretch band has no stand-in: nothing else pulls by its length.
"""

from dataclasses import dataclass

from amvel.languages import said


@dataclass(frozen=True)
class PropKind:
    """One kind: its name, its usual size in cm (0 where none matters), and the household thing that serves as well."""

    title: str
    usual_cm: float
    stand_in: str

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "stand_in", said(self.stand_in))


PROPS: dict[str, PropKind] = {
    "towel": PropKind("towel", 2.0, "a folded bed sheet"),
    "cushion": PropKind("firm cushion", 10.0, "a bath towel rolled tight and tied"),
    "thick_pad": PropKind("thick pad", 4.0, "a blanket folded four times"),
    "blanket": PropKind("folded blanket", 4.0, "two bath towels laid on each other"),
    "block": PropKind("firm block", 8.0, "books tied together"),
    "books": PropKind("books", 3.0, "a stack of catalogues tied together"),
    "bolster": PropKind("firm bolster", 40.0, "cushions and folded blankets tied into a firm block"),
    "back_wedge": PropKind("wedge for the back", 40.0, "an upturned chair padded with cushions, its back as the slope"),
    "heel_wedge": PropKind("wedge for the heels", 2.0, "a folded newspaper or a thin book under each heel"),
    "box": PropKind("firm box", 30.0, "a low stool, or a chair with books on it"),
    "household_roll": PropKind("household roll", 12.0, "a towel rolled to the width of a hand and tied"),
    "long_roller": PropKind("long roller", 15.0, "a mat rolled tight and tied in three places"),
    "ball": PropKind("small ball", 7.0, "a pair of rolled socks"),
    "belt": PropKind("belt", 0.0, "the belt of a dressing gown"),
    "strap": PropKind("strap", 0.0, "a long scarf or a dressing-gown belt"),
    "band": PropKind("stretch band", 0.0, ""),
    "cloth": PropKind("sliding cloth", 0.0, "a thick sock, or a tea towel on a smooth floor"),
    "tape": PropKind("stripe of tape", 0.0, "a strip of cloth pinned level to the waistband"),
    "bag": PropKind("bag with handles", 0.0, "a shopping bag"),
    "weight": PropKind("light weight", 0.0, "a full half-litre bottle"),
}
