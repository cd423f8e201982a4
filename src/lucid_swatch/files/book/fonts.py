"""The fonts of a book, which ship with it, and what they cannot write."""

from functools import cache
from importlib.resources import as_file, files
from pathlib import Path

from fontTools.ttLib import TTFont

PETRONA, ITALIC = "Petrona-Medium", "Petrona-Italic"
PLAIN, BOLD = "AtkinsonHyperlegibleNext-Regular", "AtkinsonHyperlegibleNext-Bold"
OTHER_SCRIPTS = "DejaVuSans"
"""Takes the letters that the others do not have."""


def font_file(name: str) -> Path:
    """Where the file of a font lies."""
    with as_file(files("lucid_swatch.files").joinpath(f"fonts/{name}.ttf")) as path:
        return path


@cache
def letters() -> frozenset[int]:
    """Code points that the fonts of a book have together."""
    some = (TTFont(font_file(name), lazy=True) for name in (PLAIN, OTHER_SCRIPTS))
    return frozenset(code for font in some for code in font.getBestCmap())


BOX = "\u25a1"
"""Stands for a letter that no font has."""


def writable(text: str) -> str:
    """Some words with a box for each letter that no font of a book has."""
    return "".join(c if ord(c) <= 0x20 or ord(c) in letters() else BOX for c in text)


def unwritable(text: str) -> str:
    """The letters of some words that no font of a book has, each once; they stand as boxes on paper."""
    return "".join(dict.fromkeys(c for c in text if ord(c) > 0x20 and ord(c) not in letters()))
