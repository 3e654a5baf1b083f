"""Four-stage balance."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import FourStageBalance
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source("CDC STEADI, 4-Stage Balance Test: tandem under 10 s is at risk")
HOLD_S = 10.0


def tandem_failed(result: FourStageBalance) -> bool:
    """A tandem not reached counts as not held."""
    return (result.tandem_s or 0.0) < HOLD_S


def read(result: FourStageBalance, case: Case) -> Reading:
    """Tandem under 10 s is a sign of fall risk."""
    held = result.tandem_s or 0.0
    if tandem_failed(result):
        return Reading(f"tandem {held:g} s: under {HOLD_S:g} s, a sign of fall risk", "watch", SOURCE)
    one = result.one_leg_s
    tail = "" if one is None else f"; one leg {one:g} s" + (" (under 5 s: our caution)" if one < 5 else "")
    return Reading(f"tandem held {HOLD_S:g} s{tail}", "ok", SOURCE)


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
    instead="Reaching while sitting is watched instead.",
    unlocks="standing at home without a firm hand",
)
