"""The base of every test result, with its trials."""

from collections.abc import Callable
from datetime import date
from typing import Any, ClassVar, Literal

from pydantic import model_validator

from amvel.case.parts import Titled
from amvel.languages import said

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
        if not all(isinstance(t, int | float) for t in trials):
            return data
        taken = OF_TRIALS[cls.TAKES]([float(t) for t in trials])
        given = data.get(cls.MAIN)
        if given is not None and abs(float(given) - taken) > 0.01:
            raise ValueError(said("{main}: {given} is not the {takes} of the trials ({taken})", main=cls.MAIN, given=given, takes=cls.TAKES, taken=float(taken)))
        return {**data, cls.MAIN: taken}
