"""The questions on which practitioners disagree, with the answers that each school gives (common practice, no source).

A client may have a choice for every question, and another one for a single family.  What is not chosen follows the
default, which for two questions depends on the step and the client.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from amvel.languages import Message, said


@dataclass(frozen=True)
class Option:
    """One school's answer: what is done, in words for the specialist, and why one would."""

    id: str
    title: str
    why: str

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "why", said(self.why))


@dataclass(frozen=True)
class Question:
    """A question with its answers; the first option is the default.  `changes` says what follows from the choice."""

    id: str
    title: str
    options: tuple[Option, ...]
    changes: tuple[str, ...]

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))

    def option(self, id: str) -> Option:
        return next(o for o in self.options if o.id == id)

    @property
    def default(self) -> str:
        return self.options[0].id


QUESTIONS: dict[str, Question] = {
    q.id: q
    for q in (
        Question(
            "low_back",
            "Low back in leg work lying on the back",
            (
                Option(
                    "natural_curve",
                    "keep the natural curve",
                    "the middle position shares the load between belly and back",
                ),
                Option("flat", "press the low back flat", "the easier step for someone who arches"),
            ),
            ("pose", "words", "picture"),
        ),
        Question(
            "switching_on",
            "How the trunk is switched on",
            (
                Option(
                    "by_load",
                    "gentle draw lying and light, firm all round standing and heavy",
                    "each as the load asks",
                ),
                Option("gentle_draw", "gentle deep draw, pelvic floor first", "for low loads lying down"),
                Option(
                    "stiffen", "firm all round, scaled to the load", "for carrying, standing and heavier steps"
                ),
                Option(
                    "breath",
                    "let the breath do it",
                    "for the pelvic floor, pregnancy, or a breath that is held",
                ),
            ),
            ("words",),
        ),
        Question(
            "breath",
            "Breath and movement",
            (
                Option("out_on_effort", "out on the effort", "the belly works with the breath"),
                Option(
                    "in_on_the_lift",
                    "in on the lift, out on the return",
                    "the long breath out belongs to the lowering",
                ),
                Option(
                    "continuous",
                    "one thin breath out through both phases",
                    "trunk pressure never drops half-way",
                ),
            ),
            ("words", "pacing"),
        ),
        Question(
            "pelvic_floor",
            "Pelvic floor and breath",
            (
                Option("out_breath", "lifts on the breath out", "it rises as the diaphragm does"),
                Option(
                    "in_breath", "lifts on the breath in, lets go in rest", "for who loses it on the breath in"
                ),
            ),
            ("words",),
        ),
        Question(
            "buttocks",
            "Buttocks",
            (
                Option(
                    "by_step",
                    "relaxed for tilt and deep set, set face down and for double-leg steps",
                    "help where it is needed",
                ),
                Option("relaxed", "relaxed", "the belly does the work"),
                Option("set", "set", "the pelvis stays closed"),
            ),
            ("words",),
        ),
        Question(
            "belly",
            "Belly during the breath",
            (
                Option("by_load", "all-round at rest, still under load", "each as the load asks"),
                Option("all_round", "all-round, belly and back as well", "nothing is held"),
                Option("still", "still belly, the ribs move", "the deep layer stays on"),
            ),
            ("words",),
        ),
        Question(
            "hands_and_knees_first",
            "Hands and knees: which limb first",
            (
                Option(
                    "what_holds",
                    "what holds cleaner on the day",
                    "arms are added when leg work brings no pain or turning",
                ),
                Option("leg", "leg first", "the pelvis learns first"),
                Option("arm", "arm first", "the smaller lever first"),
            ),
            ("order",),
        ),
        Question(
            "side_lift",
            "Both-legs lift on the side",
            (
                Option("long_waist", "the waist stays long, only the legs leave", "nothing bends"),
                Option("side_crunch", "a small side bend is allowed", "the side works through its range"),
            ),
            ("pose", "words", "picture"),
        ),
        Question(
            "curl_legs",
            "Curl: the legs",
            (
                Option("one_knee_bent", "one knee bent", "the pelvis stays in the middle"),
                Option("both_straight", "both straight, buttocks set", "the hip flexors cannot help"),
            ),
            ("order",),
        ),
        Question(
            "harder",
            "Making it harder",
            (
                Option("lever_and_slower", "slower and a longer lever first", "control before load"),
                Option("load", "load first", "strength before length"),
                Option(
                    "less_stable", "a less stable surface first", "only with normal balance and no bone limit"
                ),
            ),
            ("order",),
        ),
        Question(
            "scoliosis",
            "Scoliosis",
            (
                Option("symmetrical", "symmetrical neutral work, equal sides", "safe for every curve"),
                Option(
                    "curve_specific", "curve-specific, one-sided", "only with sign-off by someone certified"
                ),
            ),
            ("dose",),
        ),
    )
}


def unknown_answers(choices: dict[str, str]) -> Iterator[tuple[str, Message]]:
    """Unknown questions, and questions with an unknown answer: which, and what is wrong."""
    for question, option in choices.items():
        if question not in QUESTIONS:
            yield question, said("there is no question '{question}'", question=question)
        elif option not in {o.id for o in QUESTIONS[question].options}:
            yield question, said("there is no answer '{answer}'", answer=option)
