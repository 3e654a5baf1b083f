"""Solved profiles as bytes, to be kept outside: what one process has solved, no other has to solve again.

The columns of a profile are what verdicts are made of; its poses are only drawn, and are found anew where somebody looks.
"""

import io
import json
import zlib
from dataclasses import dataclass
from zipfile import BadZipFile

import numpy as np

from amvel.body.tree import Array
from amvel.movements.columns import Columns
from amvel.movements.look import Look


class ShelfError(ValueError):
    """These bytes are no solved profiles of this model."""


@dataclass(frozen=True)
class Shelved:
    """What is kept of one profile: the names of its frames, which of them are declared, and its columns."""

    frame_names: tuple[str, ...]
    rows: tuple[int, ...]
    columns: Columns


Shelf = dict[Look, dict[str, Shelved]]  # by look and key


def packed(shelf: Shelf) -> bytes:
    """Profiles, all with the same columns."""
    kept = [(look, key, s) for look, found in shelf.items() for key, s in found.items()]
    if not kept:
        return b""
    names = list(kept[0][2].columns.index)
    heads = [[look, key, list(s.frame_names), list(s.rows)] for look, key, s in kept]
    out = io.BytesIO()
    text = np.frombuffer(json.dumps([names, heads]).encode(), dtype=np.uint8)
    np.savez_compressed(out, heads=text, table=np.concatenate([_in_order(s.columns, names) for _, _, s in kept], axis=1))
    return out.getvalue()


def _in_order(columns: Columns, names: list[str]) -> Array:
    same = list(columns.index) == names
    return columns.table if same else np.array([columns[n] for n in names])


def unpacked(data: bytes) -> Shelf:
    """The profiles that `packed` wrote; raises ShelfError where it did not."""
    out: Shelf = {look: {} for look in Look}
    if not data:
        return out
    try:
        with np.load(io.BytesIO(data), allow_pickle=False) as arrays:
            names, heads = json.loads(bytes(arrays["heads"]))
            table = arrays["table"]
        index, at = {n: i for i, n in enumerate(names)}, 0
        for look, key, frames, rows in heads:
            out[Look(look)][key] = Shelved(tuple(frames), tuple(rows), Columns(index, table[:, at : at + len(frames)]))
            at += len(frames)
        if at != table.shape[1] or len(names) != table.shape[0]:
            raise ShelfError("the table has another size than its heads say")
    except (OSError, ValueError, KeyError, TypeError, BadZipFile, zlib.error) as error:
        raise ShelfError(f"no solved profiles: {error}") from error
    return out


__all__ = ["ShelfError", "Shelved", "packed", "unpacked"]
