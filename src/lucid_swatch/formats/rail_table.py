"""A wardrobe as a table: a line for each colour of each piece, with CIELAB, LCh and sRGB. Photos are left out."""

import csv
import io
from collections.abc import Iterable
from typing import Any

import numpy as np

from lucid_swatch.core.colour.spaces import chroma, hue_angle, lab_to_hex
from lucid_swatch.core.garment.sorting import Sorted
from lucid_swatch.core.problems import Refused

from .document import parse
from .plain_text import plain_cell, read_cell, table_rows, text_content
from .rail import RailDocument, RailPieceDocument

TEXTS = ("id", "label", "category", "metal", "volume", "length", "worn", "bin")
CUT = ("sleeve", "neckline", "closure", "heel", "toe", "sole", "size")
"""Words of the cut: the size of a bag is not the one on a label."""
SEEN = ("length", "volume", "sleeve", "neckline", "closure", "toe", "heel", "finish")
"""What the photo tells, each word with its chance."""
NUMBERS = ("formality", "warmth", "statement")
KEPT_TEXTS = ("verdict", "size", "bought_on", "care", "note", "set", "other_face")
KEPT_LISTS = ("uses", "seasons", "worn_on")
COLOUR = ("share", "part", "uncertainty", "L*", "a*", "b*")
DERIVED = ("C*", "h", "hex", "hangs", "name")
"""Columns to look at: they follow from the others and are not read."""
COLUMNS = (
    *TEXTS,
    *(f"cut: {name}" for name in CUT),
    *(f"seen: {name}" for name in SEEN),
    "pattern",
    "scale",
    "pattern confidence",
    "finish",
    *NUMBERS,
    *KEPT_TEXTS,
    *KEPT_LISTS,
    "fits",
    "price",
    "hung_at",
    *COLOUR,
    *DERIVED,
)
BETWEEN = "; "
FITS = {True: "yes", False: "no", None: ""}


def write_table(pieces: Iterable[RailPieceDocument], sorts: Iterable[Sorted]) -> str:
    """Pieces as CSV."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(COLUMNS)
    for piece, sort in zip(pieces, sorts, strict=True):
        own = _piece_cells(piece) | {"hangs": sort.bin.value, "name": sort.name}
        for colour in piece.colours:
            lab = np.array(colour.lab, dtype=float)
            cells = own | {
                "share": repr(colour.share),
                "part": colour.part.value,
                "uncertainty": _number(colour.uncertainty),
                "L*": repr(colour.lab[0]),
                "a*": repr(colour.lab[1]),
                "b*": repr(colour.lab[2]),
                "C*": f"{float(chroma(lab)):.2f}",
                "h": f"{float(hue_angle(lab)):.1f}",
                "hex": lab_to_hex(lab),
            }
            table.writerow([cells[column] for column in COLUMNS])
    return out.getvalue()


def _piece_cells(piece: RailPieceDocument) -> dict[str, str]:
    values = piece.model_dump(mode="json", exclude_none=True)
    kept = values["kept"]
    cells = {name: plain_cell(str(values.get(name, ""))) for name in TEXTS}
    cells |= {
        f"seen: {name}": BETWEEN.join(f"{one[name]} {one['confidence']!r}" for one in values["seen"][name])
        for name in SEEN
    }
    cells |= {f"cut: {name}": values["cut"].get(name, "") for name in CUT}
    cells |= {name: plain_cell(str(kept.get(name, ""))) for name in KEPT_TEXTS}
    cells |= {name: plain_cell(BETWEEN.join(kept[name])) for name in KEPT_LISTS}
    cells |= {name: _number(values.get(name)) for name in NUMBERS}
    pattern = values["pattern"]
    return cells | {
        "pattern": pattern["type"],
        "scale": pattern.get("scale", ""),
        "pattern confidence": _number(pattern.get("confidence")),
        "finish": BETWEEN.join(values["finish"]),
        "fits": FITS[kept.get("fits")],
        "price": _number(kept.get("price")),
        "hung_at": values.get("hung_at", ""),
    }


def _number(value: float | None) -> str:
    return "" if value is None else repr(float(value))


def read_table(content: bytes, file: str) -> RailDocument:
    """The wardrobe of a CSV file. Refused with the line and what is wrong."""
    rows = table_rows(text_content(content, file), file)
    head = [cell.strip() for cell in rows[0][1]] if rows else []
    missing = [name for name in ("id", "category", "L*", "a*", "b*") if name not in head]
    if missing:
        raise Refused(f"the column {missing[0]} is missing.", file, "Write a line of column names first.")
    pieces: dict[str, dict[str, Any]] = {}
    for line, row in rows[1:]:
        if len(row) != len(head):
            what = f"this line has {len(row)} cells and not {len(head)}."
            raise Refused(what, f"{file}, line {line}", "Check the quotes and commas.")
        cells = dict(zip(head, row, strict=True))
        where = f"{file}, line {line}"
        read = {name: read_cell(cells.get(name, ""), where) for name in (*TEXTS, *KEPT_TEXTS, *KEPT_LISTS)}
        piece = pieces.setdefault(read["id"], _piece(read, cells, where))
        piece["colours"].append(_colour(cells, where))
    value = {"format": "lucid-swatch/rail", "version": 1, "pieces": list(pieces.values())}
    return parse(RailDocument, value, file)


def _piece(read: dict[str, str], cells: dict[str, str], where: str) -> dict[str, Any]:
    kept: dict[str, Any] = {name: read[name] for name in KEPT_TEXTS if read[name]}
    kept |= {name: [one.strip() for one in read[name].split(";") if one.strip()] for name in KEPT_LISTS if read[name]}
    fits = cells.get("fits", "").strip().lower()
    if fits not in FITS.values():
        raise Refused("fits is neither yes nor no.", where, "Write yes, no or nothing.")
    kept["fits"] = {word: value for value, word in FITS.items()}[fits]
    kept["price"] = _read_number(cells, "price", where)
    pattern = {
        "type": cells.get("pattern") or "solid",
        "scale": cells.get("scale") or None,
        "confidence": _read_number(cells, "pattern confidence", where),
    }
    piece: dict[str, Any] = {name: read[name] for name in TEXTS if read[name]}
    piece |= {name: _read_number(cells, name, where) for name in NUMBERS}
    return piece | {
        "pattern": pattern,
        "seen": {name: _guesses(cells, name, where) for name in SEEN},
        "cut": {name: word for name in CUT if (word := cells.get(f"cut: {name}", "").strip())},
        "kept": kept,
        "colours": [],
        "hung_at": cells.get("hung_at") or None,
        "finish": [one.strip() for one in cells.get("finish", "").split(";") if one.strip()],
    }


def _guesses(cells: dict[str, str], name: str, where: str) -> list[dict[str, Any]]:
    """What the photo tells, such as "midi 0.7; knee 0.3"."""
    found = []
    for told in filter(None, (one.strip() for one in cells.get(f"seen: {name}", "").split(";"))):
        word, _, chance = told.rpartition(" ")
        try:
            found.append({name: word, "confidence": float(chance)})
        except ValueError:
            raise Refused(f"'{told}' is no word with its chance.", where, "Write it like: midi 0.7; knee 0.3") from None
    return found


def _colour(cells: dict[str, str], where: str) -> dict[str, Any]:
    lab = [_read_number(cells, column, where) for column in ("L*", "a*", "b*")]
    if None in lab:
        raise Refused("a number is missing in L*, a* or b*.", where, "Write it in.")
    share = _read_number(cells, "share", where)
    return {
        "lab": lab,
        "share": 1.0 if share is None else share,
        "part": cells.get("part") or "cloth",
        "uncertainty": _read_number(cells, "uncertainty", where),
    }


def _read_number(cells: dict[str, str], column: str, where: str) -> float | None:
    text = cells.get(column, "").strip()
    if not text:
        return None
    try:
        value = float(text)
    except ValueError:
        value = float("nan")
    if not np.isfinite(value):
        raise Refused(f"'{text[:40]}' in {column} is no number.", where, "Write a number with a point, or nothing.")
    return value
