"""Four-stage balance."""

from datetime import date

from amvel.case import Case
from amvel.case.results.balance_and_strength import FourStageBalance
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import STEADI, VELLAS
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = STEADI.says("four-stage balance: tandem under 10 s is at risk")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("tandem_s", 10, "s", "tandem held for less is a sign of fall risk", SOURCE, SINCE),
    Number("one_leg_s", 5, "s", "one-leg stage held for less is short", VELLAS.says("under 5 s; used as our caution", reading=True), SINCE),
)


def tandem_failed(result: FourStageBalance, n: Numbers) -> bool:
    """A tandem not reached counts as not held."""
    return (result.tandem_s or 0.0) < n["tandem_s"]


def read(result: FourStageBalance, case: Case, n: Numbers) -> Reading:
    """Tandem under 10 s is a sign of fall risk."""
    held = result.tandem_s or 0.0
    if tandem_failed(result, n):
        return Reading(said("tandem {held} s: under {tandem_s} s, a sign of fall risk", held=float(held), tandem_s=float(n['tandem_s'])), "watch", SOURCE)
    one = result.one_leg_s
    tail = "" if one is None else said("; one leg {one} s", one=float(one)) + (said(" (short: our caution)") if one < n["one_leg_s"] else "")
    return Reading(said("tandem held {tandem_s} s{tail}", tandem_s=float(n['tandem_s']), tail=term(tail)), "ok", SOURCE)


TEST = ScreenTest(
    "four_stage_balance",
    "standing on a base that gets smaller",
    (
        "Stand beside a worktop; you may help into each stage, then let go.",
        "Feet together, then half-step, then heel to toe, then one leg: 10 s each.",
        "Stop at the first stage that is not held for 10 s.",
    ),
    "Stand within reach behind the person; worktop in front.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome(
            "tandem held", 0.6, {"side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10, "one_leg_s": 10}
        ),
        Outcome("tandem not held", 0.4, {"side_by_side_s": 10, "semi_tandem_s": 8}),
    ),
    timer="stopwatch",
    avoid=no_standing,
    on_own_feet=True,
    instead="Reaching while sitting is watched instead.",
    unlocks="standing at home without a firm hand",
    numbers=NUMBERS,
    check_by=Profession.OLDER_PEOPLE,
)
