"""Safety: limits from findings, and verdicts on poses."""

from amvel.numbers import Number
from amvel.safety.judge import (
    AS_IS,
    BY_OVERRIDE,
    EXCLUDED,
    MODIFIED,
    NOT_JUDGED,
    Verdict,
    VerdictKind,
    as_they_stand,
    describe,
    judge,
    judge_one,
    sides_of,
)
from amvel.safety.limits import RULEBOOK_VERSION, Answer, Envelope, Limit, Obligation, Referral
from amvel.safety.rulebook import Rule, envelope, rulebook
from amvel.safety.table import Table
from amvel.safety.verdict import CONTEXTS, Breach, Check, adverse, check

__all__ = [
    "AS_IS",
    "BY_OVERRIDE",
    "CONTEXTS",
    "EXCLUDED",
    "MODIFIED",
    "NOT_JUDGED",
    "RULEBOOK_VERSION",
    "Answer",
    "Breach",
    "Check",
    "Envelope",
    "Limit",
    "Number",
    "Obligation",
    "Referral",
    "Rule",
    "Table",
    "Verdict",
    "VerdictKind",
    "adverse",
    "as_they_stand",
    "check",
    "describe",
    "envelope",
    "judge",
    "judge_one",
    "rulebook",
    "sides_of",
]
