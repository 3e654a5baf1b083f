"""Who may do what: every action of the product, and the roles that have it.  Nowhere else is a role asked for."""

from enum import StrEnum


class Role(StrEnum):
    """What somebody is in a practice."""

    ASSISTANT = "assistant"
    SPECIALIST = "specialist"
    CLINICIAN = "clinician"
    ADMINISTRATOR = "administrator"


class Action(StrEnum):
    """What can be done, as it reads in a table."""

    SEE_CLIENTS = "see clients, their limits, movements and programmes"
    MAKE_STRICTER = "set a stop sign, add a stricter limit of one's own"
    SCREEN = "take in and change the story, rooms and wishes"
    TEST = "record a test"
    BUILD = "build and edit programmes"
    PRINT = "print papers, send calendar and reminders"
    OVERRIDE = "open one limit for one step, where that is allowed"
    LIFT_FORBIDDEN = "open what is forbidden; clear; withdraw what somebody else said"
    CONFIRM = "confirm what somebody else reported of a clinician"
    READ_RULES = "read the rule-book and the library"
    TRY_RULES = "try other numbers on the caseload"
    SIGN_RULES = "sign off lines of the rule-book"
    WRITE_TEXTS = "write the practice's own texts"
    SEE_AUDIT = "read who saw and changed what"
    MANAGE_PEOPLE = "invite people, give roles, end log-ins"


ActionName = StrEnum("ActionName", {a.name: a.name.lower() for a in Action})  # type: ignore[misc]  # as pages ask for it

_EVERYBODY = frozenset(Role)
_CARE = frozenset((Role.ASSISTANT, Role.SPECIALIST, Role.CLINICIAN))
_SKILLED = frozenset((Role.SPECIALIST, Role.CLINICIAN))

MAY: dict[Action, frozenset[Role]] = {
    Action.SEE_CLIENTS: _CARE,
    Action.MAKE_STRICTER: _CARE,
    Action.SCREEN: _SKILLED,
    Action.TEST: _SKILLED,
    Action.BUILD: _SKILLED,
    Action.PRINT: _CARE,
    Action.OVERRIDE: _SKILLED,
    Action.LIFT_FORBIDDEN: frozenset((Role.CLINICIAN,)),
    Action.CONFIRM: _SKILLED,
    Action.READ_RULES: _EVERYBODY,
    Action.TRY_RULES: _SKILLED,
    Action.SIGN_RULES: frozenset((Role.CLINICIAN,)),
    Action.WRITE_TEXTS: frozenset((Role.SPECIALIST, Role.CLINICIAN, Role.ADMINISTRATOR)),
    Action.SEE_AUDIT: frozenset((Role.CLINICIAN,)),
    Action.MANAGE_PEOPLE: frozenset((Role.ADMINISTRATOR,)),
}
if set(MAY) != set(Action):
    raise ValueError(f"roles: nobody is named for {sorted(set(Action) - set(MAY))}")


def may(role: str, action: Action) -> bool:
    """Whether this role has the action; an unknown role has none."""
    return role in {str(r) for r in MAY[action]}
