"""What tells equals apart: where several movements would do as well, each person begins elsewhere in the library.

The same person always gets the same answer; two people alike in everything else do not get the same few movements.
"""

from hashlib import blake2b

MOST_POINTS = 1100  # up to one and a half times a function that nothing serves yet (our choice)


def variation(person: str, family: str) -> int:
    """0 to MOST_POINTS, the same for the same person and family; 0 for nobody."""
    if not person:
        return 0
    return int.from_bytes(blake2b(f"{person} {family}".encode(), digest_size=4).digest()) % (MOST_POINTS + 1)


__all__ = ["MOST_POINTS", "variation"]
