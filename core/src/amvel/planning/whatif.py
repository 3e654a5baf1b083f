"""What would change: the same client with a little less time, able to kneel, or with a band, built anew and compared.

Nothing is stored: the answers say what each would bring in and take out.
"""

from collections.abc import Callable
from dataclasses import dataclass

from amvel.case import Case, Prop
from amvel.engine import Engine
from amvel.languages import said
from amvel.planning.programme import Programme, plan


@dataclass(frozen=True)
class WhatIf:
    """One change: what comes in, what goes out, and how the worth of the session moves."""

    id: str
    says: str
    comes: tuple[str, ...]
    goes: tuple[str, ...]
    worth: int
    minutes: float


def _less_time(case: Case) -> Case | None:
    if case.wishes.minutes - 5 < 5:
        return None
    return case.model_copy(
        update={"wishes": case.wishes.model_copy(update={"minutes": case.wishes.minutes - 5})}
    )


def _kneels(case: Case) -> Case | None:
    if case.tolerates.kneeling != "no":
        return None
    return case.model_copy(update={"tolerates": case.tolerates.model_copy(update={"kneeling": "yes"})})


def _band(case: Case) -> Case | None:
    room = case.room
    if room.has("band") and room.anchor:
        return None
    props = room.props if room.has("band") else (*room.props, Prop(kind="band"))
    return case.model_copy(update={"room": room.model_copy(update={"props": props, "anchor": True})})


CHANGES: dict[str, tuple[str, Callable[[Case], Case | None]]] = {
    "less_time": (said("with 5 minutes less"), _less_time),
    "kneeling": (said("if kneeling is possible again"), _kneels),
    "band": (said("with a stretch band and a place to fix it"), _band),
}


def what_if(engine: Engine, now: Programme, only: str = "") -> list[WhatIf]:
    """Every change that applies to this client, or one of them; raises KeyError for an unknown one."""
    wanted = [only] if only else list(CHANGES)
    out = []
    for id in wanted:
        says, change = CHANGES[id]
        case = change(engine.case)
        if case is None:
            continue
        then = plan(engine.changed(case), now.context, near=tuple(m.ref for m in now.movements))
        before, after = ({m.ref for m in p.movements} for p in (now, then))
        out.append(
            WhatIf(
                id,
                says,
                tuple(m.ref for m in then.movements if m.ref not in before),
                tuple(m.ref for m in now.movements if m.ref not in after),
                then.worth - now.worth,
                then.minutes,
            )
        )
    return out


def what_if_now(engine: Engine, context: str, in_use: tuple[str, ...], only: str = "") -> list[WhatIf]:
    """The same, compared with what would be built today near the steps that are in use."""
    return what_if(engine, plan(engine, context, near=in_use), only)


__all__ = ["CHANGES", "WhatIf", "what_if", "what_if_now"]
