"""The base of every test result, with its trials."""

from collections.abc import Callable, Iterator
from datetime import date
from typing import Any, ClassVar, Literal, Self

from pydantic import model_validator

from amvel.case.bounds import bounds
from amvel.case.faults import fault
from amvel.case.parts import Titled
from amvel.languages import Message, said

OF_TRIALS: dict[str, Callable[[list[float]], float]] = {
    "largest": max,
    "smallest": min,
    "mean": lambda values: round(sum(values) / len(values), 2),
}


Takes = Literal["", "largest", "smallest", "mean"]  # of several trials, what counts


class Result(Titled):
    """A result of one day. Where a test has trials, all are kept and `MAIN` is what the protocol takes of them."""

    MAIN: ClassVar[str] = ""
    TAKES: ClassVar[Takes] = ""

    test: str
    on: date

    @model_validator(mode="before")
    @classmethod
    def _from_trials(cls, data: Any) -> Any:
        if not isinstance(data, dict) or not cls.TAKES or not data.get("trials"):
            return data
        trials = data["trials"]
        if data.get(cls.MAIN) is not None or not isinstance(trials, list | tuple) or not all(isinstance(t, int | float) for t in trials):
            return data
        return {**data, cls.MAIN: OF_TRIALS[cls.TAKES]([float(t) for t in trials])}

    @model_validator(mode="after")
    def _agrees_with_its_trials(self) -> Self:
        if self._trials:
            given, taken = getattr(self, self.MAIN), OF_TRIALS[self.TAKES](list(self._trials))
            if given is None or abs(given - taken) > 0.01:
                raise fault(_is_not(self.TAKES, taken), self.MAIN)
        return self

    @property
    def _trials(self) -> tuple[float, ...]:
        trials: tuple[float, ...] = getattr(self, "trials", ())
        return trials if self.TAKES else ()

    def wild_trials(self) -> Iterator[tuple[int, Message]]:
        """Trials that are nothing the result may be: which, and why.  For what is newly entered: one that was stored stays readable."""
        low, high = bounds(type(self).model_fields[self.MAIN]) if self._trials else (None, None)
        for i, trial in enumerate(self._trials):
            if low is not None and trial < low:
                yield i, said("at least {bound}", bound=low)
            if high is not None and trial > high:
                yield i, said("at most {bound}", bound=high)


def _is_not(takes: Takes, taken: float) -> Message:
    match takes:
        case "largest":
            return said("is not the largest of the trials, {taken}", taken=float(taken))
        case "smallest":
            return said("is not the smallest of the trials, {taken}", taken=float(taken))
        case _:
            return said("is not the mean of the trials, {taken}", taken=float(taken))
