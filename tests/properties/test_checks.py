"""What breaks a limit, against every frame and column looked at one by one."""

import math
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.movements import Profile
from amvel.quantities import REGISTRY, quantity
from amvel.safety.limits import Envelope, Limit, Place
from amvel.safety.table import Table
from amvel.safety.verdict import check, holds
from amvel.sources import Kind, Source
from tests.bodies import library_profiles

SOURCE = Source(Kind.MODEL, quoted_for="a limit of this test")
NAMES = sorted(name for name in REGISTRY if name != "performed")


def limits() -> st.SearchStrategy[tuple[Limit, ...]]:
    one = st.builds(
        lambda name, side, bound, at_least, place, at_home, caution: Limit(
            "",
            f"{side}.{name}" if side and quantity(name).sided else name,
            bound,
            "because",
            SOURCE,
            "caution" if caution else "limit",
            at_least,
            place,
            at_home,
            "take care",
        ),
        st.sampled_from(NAMES),
        st.sampled_from(("", "left", "right")),
        st.one_of(st.sampled_from((0.0, 1.0, 3.0)), st.floats(-20, 200)),
        st.booleans(),
        st.sampled_from(Place),
        st.booleans(),
        st.booleans(),
    )
    return st.lists(one, min_size=1, max_size=12).map(numbered)


def numbered(found: list[Limit]) -> tuple[Limit, ...]:
    return tuple(replace(limit, id=f"test.{k}") for k, limit in enumerate(found))


def broken_by_hand(limit: Limit, p: Profile, context: str) -> list[tuple[str, str]]:
    """Which columns break it: the worst of the frames where it looks, beyond the bound by more than half of the resolution."""
    if limit.at_home and context != "home":
        return []
    frames = [i for i in range(len(p.frame_names)) if not limit.when.column or p.columns[limit.when.column][i] > 0]
    columns = [limit.quantity] if limit.quantity in p.columns else [f"{s}.{limit.quantity}" for s in ("left", "right")]
    out = []
    for name in columns if frames else []:
        values = [float(p.columns[name][i]) for i in frames]
        within = max(1e-6, 0.5 * quantity(name).resolution)
        missing = not all(map(math.isfinite, values))
        beyond = min(values) < limit.bound - within if limit.at_least else max(values) > limit.bound + within
        if missing or beyond:
            out.append((limit.id, name))
    return out


@settings(deadline=None, max_examples=150)
@given(limits(), st.integers(0, 10_000), st.sampled_from(("visit", "home")))
def test_a_check_names_what_every_frame_by_itself_would_name_in_the_order_of_the_limits(
    given_: tuple[Limit, ...], which: int, context: str
) -> None:
    profiles = [p for p in library_profiles() if not p.fault]
    p = profiles[which % len(profiles)]
    answer = check(p, Envelope(given_, (), ()), context)
    wanted = [x for limit in given_ for x in broken_by_hand(limit, p, context)]
    cautions = {limit.id for limit in given_ if limit.strength == "caution"}
    assert [(b.limit.id, b.quantity) for b in answer.breaches] == [x for x in wanted if x[0] not in cautions]
    assert [(b.limit.id, b.quantity) for b in answer.cautions] == [x for x in wanted if x[0] in cautions]
    assert holds(p, Envelope(given_, (), ()), context) == answer.allowed
    assert Table([p]).allowed(Envelope(given_, (), ()), context)[0] == answer.allowed
