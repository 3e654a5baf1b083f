"""One file per family; `amvel.movements.library` finds them."""
