"""One rule file per condition; `amvel.safety.rulebook` finds them."""
