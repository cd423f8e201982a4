"""Palettes in and out: GIMP palette, CSS custom properties, CSV and JSON.

A GIMP palette and CSS hold 8-bit sRGB only, so both carry the CIELAB of each colour beside it, and reading them back
takes that where it stands. A colour from elsewhere is read from its sRGB."""

import csv
import io
import re
from typing import Literal

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.spaces import chroma, hex_to_lab, hue_angle, lab_to_hex
from lucid_swatch.core.problems import Refused

from .document import Document, Titled, json_content, parse
from .piece import Lab
from .plain_text import plain_cell, read_cell, table_rows, text_content

MAX_COLOURS = 256
ENDINGS = ("gpl", "css", "csv", "json")


class PaletteColour(Document):
    """A colour with a name."""

    name: str = Field(default="", max_length=120)
    lab: Lab

    @property
    def hex(self) -> str:
        """The nearest colour of sRGB."""
        return lab_to_hex(np.array(self.lab, dtype=float))


class Palette(Document):
    """Some colours under one name."""

    name: str = Field(default="", max_length=200)
    colours: list[PaletteColour] = Field(default_factory=list, max_length=MAX_COLOURS)


class PaletteDocument(Titled, Palette):
    """A palette as JSON."""

    format: Literal["lucid-swatch/palette"] = "lucid-swatch/palette"


def write_palette(palette: Palette, ending: str) -> str:
    """A palette as text. ending: one of ENDINGS."""
    return {"gpl": _gpl, "css": _css, "csv": _csv, "json": _json}[ending](palette)


def read_palette(content: bytes, file: str) -> Palette:
    """The palette in a file, whatever of the four formats it is. Refused with what is wrong and where."""
    text = text_content(content, file)
    ending = file.rsplit(".", 1)[-1].lower()
    name = re.sub(r"\.[^.]*$", "", file)[:200] or "palette"
    if text.lstrip().startswith("{"):
        document = parse(PaletteDocument, json_content(content, file))
        palette = Palette(name=document.name, colours=document.colours)
    elif text.startswith("GIMP Palette"):
        palette = _read_gpl(text, file, name)
    elif ending == "css":
        palette = _read_css(text, file, name)
    elif ending == "csv":
        palette = _read_csv(text, file, name)
    else:
        raise Refused(
            "this is no palette that can be read.", file, "Send a GIMP palette (.gpl), CSS, CSV or JSON file."
        )
    if not palette.colours:
        raise Refused("there is no colour in this palette.", file, "Check the file in a text editor.")
    return palette


def _gpl(palette: Palette) -> str:
    lines = ["GIMP Palette", f"Name: {_one_line(palette.name)}", "Columns: 0", "#"]
    for one in palette.colours:
        red, green, blue = (int(one.hex[k : k + 2], 16) for k in (1, 3, 5))
        lines.append(f"# lab {one.lab[0]} {one.lab[1]} {one.lab[2]}")
        lines.append(f"{red:3d} {green:3d} {blue:3d}\t{_one_line(one.name)}")
    return "\n".join(lines) + "\n"


def _read_gpl(text: str, file: str, name: str) -> Palette:
    colours: list[PaletteColour] = []
    lab: list[float] | None = None
    for number, line in enumerate(text.splitlines()[1:], start=2):
        line = line.strip()
        if line.startswith("Name:"):
            name = line[5:].strip()[:200]
        elif line.startswith("# lab "):
            lab = _numbers(line[6:].split(), file, number)
        elif line and not line.startswith("#") and not line.startswith("Columns:"):
            found = re.match(r"(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$", line)
            if found is None or any(int(v) > 255 for v in found.groups()[:3]):
                raise Refused(
                    "a line holds no red, green and blue of 0 to 255.", f"{file}, line {number}", "Correct it."
                )
            red, green, blue = (int(v) for v in found.groups()[:3])
            colours.append(_colour(found.group(4) or "", lab, f"#{red:02x}{green:02x}{blue:02x}", file, number))
            lab = None
    return _palette(name, colours, file)


def _css(palette: Palette) -> str:
    lines, used = [f"/* {_one_line(palette.name).replace('*/', '')} */", ":root {"], set()
    for one in palette.colours:
        word = re.sub(r"[^a-z0-9]+", "-", one.name.lower()).strip("-") or "colour"
        name, number = word, 2
        while name in used:
            name, number = f"{word}-{number}", number + 1
        used.add(name)
        called = _one_line(one.name).replace("*/", "")
        lines.append(f"  --{name}: {one.hex}; /* lab({one.lab[0]} {one.lab[1]} {one.lab[2]}) {called} */")
    return "\n".join([*lines, "}"]) + "\n"


CSS_COLOUR = re.compile(
    r"--([A-Za-z0-9_-]+)\s*:\s*(#[0-9a-fA-F]{6})\b\s*;?(?:[ \t]*/\*[ \t]*lab\(([^)]*)\)[ \t]*([^*]*?)[ \t]*\*/)?"
)


def _read_css(text: str, file: str, name: str) -> Palette:
    title = re.match(r"\s*/\*\s*(.*?)\s*\*/", text)
    colours = []
    for found in CSS_COLOUR.finditer(text):
        word, hex, lab, called = found.groups()
        number = text.count("\n", 0, found.start()) + 1
        values = None if lab is None else _numbers(lab.split(), file, number)
        colours.append(_colour(called or word.replace("-", " "), values, hex.lower(), file, number))
    return _palette(title.group(1)[:200] if title else name, colours, file)


CSV_COLUMNS = ("name", "L*", "a*", "b*", "C*", "h", "hex")


def _csv(palette: Palette) -> str:
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(["palette", plain_cell(palette.name)])
    table.writerow(CSV_COLUMNS)
    for one in palette.colours:
        lab = np.array(one.lab, dtype=float)
        table.writerow(
            [plain_cell(one.name), *one.lab, round(float(chroma(lab)), 2), round(float(hue_angle(lab)), 1), one.hex]
        )
    return out.getvalue()


def _read_csv(text: str, file: str, name: str) -> Palette:
    rows = table_rows(text, file)
    if rows and len(rows[0][1]) >= 2 and rows[0][1][0] == "palette":
        name, rows = read_cell(rows[0][1][1], f"{file}, line {rows[0][0]}")[:200], rows[1:]
    head = [cell.strip() for cell in rows[0][1]] if rows else []
    if not {"L*", "a*", "b*"} <= set(head):
        raise Refused("the columns L*, a* and b* are missing.", file, "Write a line of column names first.")
    colours = []
    for number, row in rows[1:]:
        cells = dict(zip(head, row, strict=False))
        lab = _numbers([cells.get(column, "") for column in ("L*", "a*", "b*")], file, number)
        colours.append(_colour(read_cell(cells.get("name", ""), f"{file}, line {number}"), lab, None, file, number))
    return _palette(name, colours, file)


def _json(palette: Palette) -> str:
    return PaletteDocument(name=palette.name, colours=palette.colours).model_dump_json(indent=1) + "\n"


def _colour(name: str, lab: list[float] | None, hex: str | None, file: str, line: int) -> PaletteColour:
    if hex is not None:
        shown = [round(float(v), 2) for v in hex_to_lab(hex)]
        # an edited sRGB value outweighs the CIELAB that was written beside it
        if lab is None or PaletteColour(lab=lab).hex != hex:
            lab = shown
    return parse(PaletteColour, {"name": name.strip()[:120], "lab": lab}, f"{file}, line {line}, ")


def _palette(name: str, colours: list[PaletteColour], file: str) -> Palette:
    if len(colours) > MAX_COLOURS:
        raise Refused(f"there are more than {MAX_COLOURS} colours.", file, "Leave some out.")
    return Palette(name=name, colours=colours)


def _numbers(words: list[str], file: str, line: int) -> list[float]:
    try:
        values = [float(word) for word in words]
    except ValueError:
        values = []
    if len(values) != 3 or not np.isfinite(values).all():
        raise Refused("three numbers are needed for L*, a* and b*.", f"{file}, line {line}", "Correct the line.")
    return values


def _one_line(text: str) -> str:
    return " ".join(text.split())
