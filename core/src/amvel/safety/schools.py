"""Which answers to the schools' questions stand for this client, and which are refused, with the reason.

Flattening the low back drives pressure down: not with abdominal separation or pelvic-floor symptoms, and not where
bending provokes.  One-sided work for a curve needs a certified sign-off.  What is refused falls back to the default.
"""

from dataclasses import dataclass

from amvel.case import Case
from amvel.case.schools import QUESTIONS
from amvel.case.traits import Trait
from amvel.languages import said
from amvel.safety.words import valid
from amvel.screening.traits import because

SIGN_OFF = "schools.curve_specific"


@dataclass(frozen=True)
class Refusal:
    """A chosen answer that does not stand."""

    question: str
    option: str
    reason: str


@dataclass(frozen=True)
class Schools:
    """The answers that stand: for the client, and by family where another one was chosen."""

    choices: dict[str, str]
    by_family: dict[str, dict[str, str]]
    refused: tuple[Refusal, ...]
    because: dict[str, str]

    def of(self, family: str) -> dict[str, str]:
        """Every question's answer for one family."""
        return {**self.choices, **self.by_family.get(family, {})}


def schools_for(case: Case) -> Schools:
    """Defaults, then the client's choices, then those of single families; refused ones left out with the reason."""
    refused: list[Refusal] = []
    reasons: dict[str, str] = {}
    choices = {q.id: q.default for q in QUESTIONS.values()}
    if led := because(case, Trait.BREATH_LEADS):
        choices["switching_on"] = "breath"
        reasons["switching_on"] = led
    choices |= _standing(case, case.schools, refused)
    by_family = {f: _standing(case, own, refused) for f, own in case.family_schools.items()}
    return Schools(choices, by_family, tuple(refused), reasons)


def one_sided_for_a_curve(case: Case) -> bool:
    """Whether one-sided work for a curve was chosen and is signed for: then the sides are not trained alike."""
    chosen = ("scoliosis", "curve_specific")
    return case.schools.get(chosen[0]) == chosen[1] and not _reason_against(case, *chosen)


def _standing(case: Case, wanted: dict[str, str], refused: list[Refusal]) -> dict[str, str]:
    out = {}
    for question, option in wanted.items():
        reason = _reason_against(case, question, option)
        if reason:
            refused.append(Refusal(question, option, reason))
        else:
            out[question] = option
    return out


def _reason_against(case: Case, question: str, option: str) -> str:
    if (question, option) == ("low_back", "flat"):
        return because(case, Trait.PRESSES_DOWN) or because(case, Trait.BENDING_PROVOKES)
    if (question, option) == ("scoliosis", "curve_specific"):
        signed = any(
            w.kind == "clears" and w.may_clear and w.clears == SIGN_OFF and valid(w, case.as_of) for w in case.clinician_words
        )
        return "" if signed else said("one-sided work for a curve needs the sign-off of someone certified")
    return ""
