"""Contact sheets: the figures of many steps on one page, for looking them over."""

from textwrap import wrap
from xml.sax.saxutils import escape

COLUMNS, MOST = 5, 20
_WIDE, _HIGH, _TITLE = 300, 200, 16
_LETTERS = 44  # of the small print in one line of a cell


def contact_sheets(figures: list[tuple[str, str]]) -> list[str]:
    """SVG pages of at most twenty figures each; `figures` are (name, SVG document or the reason why there is none)."""
    return [_page(figures[i : i + MOST]) for i in range(0, len(figures), MOST)]


def _page(figures: list[tuple[str, str]]) -> str:
    rows = -(-len(figures) // COLUMNS)
    cells = "".join(
        _cell(name, drawing, i % COLUMNS, i // COLUMNS) for i, (name, drawing) in enumerate(figures)
    )
    wide, high = COLUMNS * _WIDE, rows * (_HIGH + _TITLE)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {wide} {high}" width="{wide}" height="{high}">'
        f'<rect width="{wide}" height="{high}" fill="#FFFDF8"/>{cells}</svg>'
    )


def _cell(name: str, drawing: str, column: int, row: int) -> str:
    x, y = column * _WIDE, row * (_HIGH + _TITLE)
    title = f'<text x="{x + 6}" y="{y + 12}" font-size="11" font-family="DejaVu Sans, sans-serif">{escape(name)}</text>'
    frame = f'<rect x="{x}" y="{y}" width="{_WIDE}" height="{_HIGH + _TITLE}" fill="none" stroke="#B9AE98"/>'
    if not drawing.startswith("<svg"):
        lines = "".join(
            f'<tspan x="{x + 6}" dy="13">{escape(line)}</tspan>' for line in wrap(drawing, _LETTERS)
        )
        return f'{frame}{title}<text y="{y + 30}" font-size="10" font-family="DejaVu Sans, sans-serif">{lines}</text>'
    place = f'<svg x="{x + 4}" y="{y + _TITLE}" width="{_WIDE - 8}" height="{_HIGH - 6}" '
    return frame + title + place + drawing.removeprefix("<svg ")
