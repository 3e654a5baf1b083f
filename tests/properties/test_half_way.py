"""Half-way is asked only where it can say more than the furthest: whoever asks it everywhere gets the same answers."""

import pytest

from amvel.engine import Engine
from amvel.movements import Profile
from amvel.safety import modification
from amvel.safety.verdict import Check
from tests.conftest import demo
from tests.engines import engine_of


def answers(engine: Engine) -> list[tuple[object, ...]]:
    return [
        (v.ref, v.side, v.context, v.verdict, [(c.parameter.id, c.before, c.after, c.limit_id) for c in v.changes])
        for v in engine.judge()
    ]


@pytest.mark.parametrize("name", ["new-hip", "fused-spine", "low-bone-mass"])
def test_nothing_is_missed_where_half_way_is_not_asked(name: str, monkeypatch: pytest.MonkeyPatch) -> None:
    engine = engine_of(demo(name))
    asked: list[bool] = []
    says_all = modification._says_all

    def counted(original: Profile, furthest: Profile, first: Check, in_order: bool) -> bool:
        asked.append(says_all(original, furthest, first, in_order))
        return asked[-1]

    monkeypatch.setattr(modification, "_says_all", counted)
    sparing = answers(engine)
    assert 0 < sum(asked) < len(asked)
    monkeypatch.setattr(modification, "_says_all", lambda *args, **more: False)
    assert answers(engine) == sparing
