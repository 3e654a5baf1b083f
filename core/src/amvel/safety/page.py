"""What a rule writes: limits, cautions, obligations and referrals, with its id and source filled in."""

from collections.abc import Iterable
from datetime import date, timedelta
from typing import Any

from amvel.case import Condition
from amvel.languages import said
from amvel.movements.levels import Way
from amvel.safety.limits import Answer, Limit, Obligation, Place, Referral
from amvel.sources import Source

CLINICIAN = "clinician"
NOT_CLEARED = said("the usual time has passed, no clearing is recorded: begin low, ask the clinician")


class Page:
    """One rule's answer while it is being written."""

    def __init__(self, rule: str, source: Source, assumes: str = "") -> None:
        """`assumes` is the assumption on which every limit of the page may rest."""
        self.rule, self.source = rule, source
        self._assumes = frozenset((assumes,) if assumes else ())
        self._limits: list[Limit] = []
        self._named: dict[str, int] = {}
        self._obligations: list[Obligation] = []
        self._referrals: list[Referral] = []

    def limit(self, name: str, quantity: str, bound: float, reason: str, **more: Any) -> None:
        """A bound that must hold. `more` are fields of Limit."""
        source = more.pop("source", self.source)
        self._named[name] = self._named.get(name, 0) + 1
        if self._named[name] > 1:  # the same finding noted twice in a day: both bind
            name = f"{name}_again_{self._named[name] - 1}"
        assumes = self._assumes | more.pop("assumes", frozenset())
        self._limits.append(Limit(f"{self.rule}.{name}", quantity, bound, said(reason), source, assumes=assumes, **more))

    def forbid(self, name: str, quantity: str, bound: float, reason: str, **more: Any) -> None:
        """A published contraindication."""
        self.limit(name, quantity, bound, reason, strength="forbidden", **more)

    def care(self, name: str, quantity: str, bound: float, reason: str, measure: str, **more: Any) -> None:
        """Allowed beyond the bound with a measure that is printed with it."""
        self.limit(name, quantity, bound, reason, strength="caution", measure=said(measure), **more)

    def cap(self, name: str, level: float, ways: Iterable[Way], reason: str, **more: Any) -> None:
        """Trunk work at most of this level in these ways, whatever was shown; daily tasks are judged by their technique."""
        for way in ways:
            self.limit(f"{name}_{way.value}", way.quantity, level, reason, when=Place.EXERCISES, **more)

    def both_sides(
        self, sides: Iterable[str], name: str, quantity: str, bound: float, reason: str, **more: Any
    ) -> None:
        """The same limit on each of these sides."""
        for s in sides:
            self.limit(f"{name}_{s}", f"{s}.{quantity}", bound, reason, **more)

    def for_weeks(
        self,
        name: str,
        quantity: str,
        bound: float,
        reason: str,
        since: date,
        weeks: float,
        today: date,
        still: bool = False,
        **more: Any,
    ) -> None:
        """A limit by a usual protocol: holds for its weeks unless a clinician clears it, then is a caution as long again.

        What has run out never opens silently: the caution says that no clearing is recorded.  Where the clinician's word
        `still` asks for it, it holds beyond its weeks, for review.
        """
        end, gone = since + timedelta(weeks=weeks), since + timedelta(weeks=2 * weeks)
        if still and today > end:
            self.limit(name, quantity, bound, reason, review_on=end, waits_for=CLINICIAN, event_on=since, **more)
            return
        if today > gone:
            return
        if today <= end:
            self.limit(
                name,
                quantity,
                bound,
                reason,
                valid_until=end,
                review_on=end,
                waits_for=CLINICIAN,
                event_on=since,
                next_grade=said("with care, after a clearing"),
                **more,
            )
        else:
            self.care(
                name,
                quantity,
                bound,
                reason,
                NOT_CLEARED,
                waits_for=CLINICIAN,
                event_on=since,
                valid_until=gone,
                **more,
            )

    def owe(self, name: str, title: str, purposes: tuple[str, ...], days_per_week: int, reason: str, **more: Any) -> None:
        """Something the programme must contain."""
        self._obligations.append(
            Obligation(f"{self.rule}.{name}", said(title), purposes, days_per_week, said(reason), self.source, **more)
        )

    def refer(self, duty: str, text: str, source: Source | None = None, which: int | str = "") -> None:
        """Something to ask a clinician: a duty that the rule declares; `which` tells findings of one kind apart."""
        name = duty if which == "" else f"{duty}_{which}"
        self._referrals.append(Referral(f"{self.rule}.{name}", said(text), source or self.source, duty))

    def review(self, of: Condition, weeks: float) -> date | None:
        """The day on which a limit without an end is looked at again: weeks after the finding was noted, if that is known."""
        return None if of.noted_on is None else of.noted_on + timedelta(weeks=weeks)

    def done(self) -> Answer:
        """The finished answer."""
        return Answer(tuple(self._limits), tuple(self._obligations), tuple(self._referrals))
