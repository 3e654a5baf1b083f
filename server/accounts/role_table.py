"""The table of roles as it stands in docs/security.md; a test compares."""

from accounts.roles import MAY, Action, Role


def role_table() -> str:
    """Every action and who has it, as Markdown."""
    head = f"| action | {' | '.join(Role)} |\n|---|{'---|' * len(Role)}"
    rows = [f"| {a.says} | {' | '.join('yes' if r in MAY[a] else '–' for r in Role)} |" for a in Action]
    return "\n".join([head, *rows])
