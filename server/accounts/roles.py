"""Who may do what: every action of the product, and the roles that have it.  Nowhere else is a role asked for."""

from enum import StrEnum


class Role(StrEnum):
    """What somebody is in a practice."""

    ASSISTANT = "assistant"
    SPECIALIST = "specialist"
    CLINICIAN = "clinician"
    ADMINISTRATOR = "administrator"


class Action(StrEnum):
    """What can be done: its name for pages and checks, and how it reads in a table."""

    says: str

    def __new__(cls, name: str, says: str) -> "Action":
        action = str.__new__(cls, name)
        action._value_, action.says = name, says
        return action

    SEE_CLIENTS = "see_clients", "see clients, their limits, movements and programmes"
    MAKE_STRICTER = "make_stricter", "set a stop sign, add a stricter limit of one's own"
    SCREEN = "screen", "take in and change the story, rooms and wishes"
    TEST = "test", "record a test"
    BUILD = "build", "build and edit programmes"
    LOG = "log", "run a visit and log it"
    DECIDE = "decide", "decide on what is proposed after visits"
    EXCHANGE = "exchange", "take a client's records out, and bring records in from elsewhere"
    PRINT = "print", "print papers, send calendar and reminders"
    OVERRIDE = "override", "open one limit for one step, where that is allowed"
    LIFT_FORBIDDEN = "lift_forbidden", "open what is forbidden; clear; withdraw what somebody else said"
    CONFIRM = "confirm", "confirm what somebody else reported of a clinician"
    PRACTISE = "practise", "judge invented cases"
    READ_RULES = "read_rules", "read the rule-book and the library"
    TRY_RULES = "try_rules", "try other numbers on the caseload"
    SIGN_RULES = "sign_rules", "sign off lines of the rule-book"
    WRITE_TEXTS = "write_texts", "write the practice's own texts"
    SEE_AUDIT = "see_audit", "read who saw and changed what"
    MANAGE_PEOPLE = "manage_people", "invite people, give roles, end log-ins"


_EVERYBODY = frozenset(Role)
_CARE = frozenset((Role.ASSISTANT, Role.SPECIALIST, Role.CLINICIAN))
_SKILLED = frozenset((Role.SPECIALIST, Role.CLINICIAN))

MAY: dict[Action, frozenset[Role]] = {
    Action.SEE_CLIENTS: _CARE,
    Action.MAKE_STRICTER: _CARE,
    Action.SCREEN: _SKILLED,
    Action.TEST: _SKILLED,
    Action.BUILD: _SKILLED,
    Action.LOG: _CARE,
    Action.DECIDE: _SKILLED,
    Action.EXCHANGE: _SKILLED,
    Action.PRINT: _CARE,
    Action.OVERRIDE: _SKILLED,
    Action.LIFT_FORBIDDEN: frozenset((Role.CLINICIAN,)),
    Action.CONFIRM: _SKILLED,
    Action.PRACTISE: _CARE,
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
