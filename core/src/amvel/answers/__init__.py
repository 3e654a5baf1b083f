"""The core's answers as plain data with declared fields: what the command line prints and the server passes on and stores."""

from amvel.answers.library import conditions, movements, professions, purposes, quantities, tasks, tests
from amvel.answers.limits import breach_data, limit_data
from amvel.answers.profiles import capacity_data, hold_data, peak_data, profile_data, steady_data
from amvel.answers.programmes import (
    covered_data,
    item_data,
    needs_data,
    programme_data,
    sessions_data,
    way_data,
    week_data,
)
from amvel.answers.progress import progress, proposal_data
from amvel.answers.rules import number_data, rules, source_data
from amvel.answers.schools import schools_data
from amvel.answers.screening import readings, screen, sign_offs
from amvel.answers.verdicts import verdict_data, verdicts

__all__ = [
    "breach_data",
    "capacity_data",
    "conditions",
    "covered_data",
    "hold_data",
    "item_data",
    "limit_data",
    "movements",
    "needs_data",
    "number_data",
    "peak_data",
    "professions",
    "profile_data",
    "programme_data",
    "progress",
    "proposal_data",
    "purposes",
    "quantities",
    "readings",
    "rules",
    "schools_data",
    "screen",
    "sessions_data",
    "side_words",
    "sign_offs",
    "source_data",
    "steady_data",
    "tasks",
    "tests",
    "verdict_data",
    "verdicts",
    "way_data",
    "week_data",
]
