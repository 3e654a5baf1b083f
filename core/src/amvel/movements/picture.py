"""A sheet of drawn panels: beside each other or one under the other, as an SVG document with a title that is read aloud."""

import re
from collections.abc import Sequence
from typing import Protocol
from xml.sax.saxutils import escape

from amvel.body.figure import INK

_GAP_CM, _PAD_CM = 20.0, 7.0
_BOX = re.compile(r'<svg [^>]*?viewBox="([^"]+)"')
_Box = tuple[float, float, float, float]
Placed = tuple[str, tuple[float, float]]
FONT = "Atkinson Hyperlegible, Atkinson Hyperlegible Next, DejaVu Sans, sans-serif"


class Drawn(Protocol):
    """Something with bounds (cm, y upwards) that can be put anywhere."""

    box: _Box

    def svg(self, right: float, down: float) -> str: ...


def document(pieces: list[Placed], width: float, height: float, top: float, title: str) -> str:
    """What was laid out as an SVG of its own."""
    title = escape(title)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{-_PAD_CM:.1f} {top - _PAD_CM:.1f} {width + 2 * _PAD_CM:.1f} {height + 2 * _PAD_CM:.1f}" '
        f'role="img" aria-label="{title}"><title>{title}</title>{"".join(p for p, _ in pieces)}</svg>'
    )


def proportion(svg: str) -> float:
    """Width over height of a document that was drawn here; raises ValueError for anything else."""
    found = _BOX.match(svg)
    if found is None:
        raise ValueError("no drawing of ours: it has no view box")
    _, _, width, height = map(float, found[1].split())
    return width / height


def laid_out(panels: Sequence[Drawn]) -> tuple[list[Placed], float, float, float]:
    """Panels beside each other, or under each other when the body lies; with total width, height and top."""
    flat = len(panels) == 2 and all((p.box[2] - p.box[0]) > 1.35 * (p.box[3] - p.box[1]) for p in panels)
    pieces: list[Placed] = []
    x = y = widest = 0.0
    top = -panels[0].box[3] if flat else -max(p.box[3] for p in panels)
    low = 0.0
    for i, panel in enumerate(panels):
        left, bottom, right, _ = panel.box
        shift = (-left, y) if flat else (x - left, 0.0)
        pieces.append((panel.svg(*shift), shift))
        low = max(low, shift[1] - bottom)
        widest = max(widest, shift[0] + right)
        last = i + 1 == len(panels)
        if not last:
            pieces.append((_then(flat, shift, panel.box, panels[i + 1].box), shift))
        x = shift[0] + right + _GAP_CM
        y = low + (0.0 if last else panels[i + 1].box[3]) + _GAP_CM * 0.7
    return pieces, widest, low - top, top


def _then(flat: bool, shift: tuple[float, float], box: _Box, following: _Box) -> str:
    """The small sign between two pictures: what follows."""
    if flat:
        x, y, turn = shift[0] + (box[0] + box[2]) / 2, shift[1] - box[1] + _GAP_CM * 0.35, 90
    else:
        x, y, turn = shift[0] + box[2] + _GAP_CM / 2, -(max(box[3], following[3]) + min(box[1], following[1])) / 2, 0
    return (
        f'<path transform="translate({x:.1f} {y:.1f}) rotate({turn})" d="M-3 -4l6 4l-6 4" fill="none" stroke="{INK}" stroke-width="1.2" '
        'stroke-linecap="round" stroke-linejoin="round"/>'
    )


def label(x: float, y: float, text: str, anchor: str, size: float = 6.5, ink: str = INK, weight: int = 400) -> str:
    """A word or number in the picture (y downwards), on a light rim so that it is read over anything.

    The rim is a text of its own: on paper nobody knows in which order one text's line and filling are drawn.
    """
    where = f'x="{x:.1f}" y="{y:.1f}" font-size="{size}" font-weight="{weight}" text-anchor="{anchor}" font-family="{FONT}"'
    return (
        f'<text {where} fill="none" stroke="#FFFFFF" stroke-width="{size / 4:.1f}" stroke-linejoin="round" aria-hidden="true">{text}</text>'
        f'<text {where} fill="{ink}" stroke="none">{text}</text>'
    )


def in_halves_cm(cm: float) -> str:
    """A measure to half a centimetre, as a hand can tell it; a half is a sign, since a picture has no language of its own."""
    whole, half = divmod(round(2 * cm), 2)
    return f"{whole or ''}{'½' if half else ''} cm" if whole or half else "0 cm"


__all__ = ["FONT", "Drawn", "Placed", "document", "in_halves_cm", "label", "laid_out"]
