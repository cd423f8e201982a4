"""Cuts the fonts of the lookbook from those of the web page, which come as parts of one variable font each.

`.venv/bin/python docs/make_fonts.py PLAIN` writes them into the package. PLAIN is DejaVuSans.ttf, from which the letters are
taken that the other two do not have."""

import sys
from pathlib import Path
from tempfile import TemporaryDirectory

from fontTools.merge import Merger
from fontTools.subset import Options, Subsetter
from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

ROOT = Path(__file__).parents[1]
PARTS = ROOT / "web/node_modules/@fontsource-variable"
TO = ROOT / "src/lucid_swatch/files/fonts"
CUTS = {
    "Petrona-Medium": ("petrona", "normal", 520),
    "Petrona-Italic": ("petrona", "italic", 480),
    "AtkinsonHyperlegibleNext-Regular": ("atkinson-hyperlegible-next", "normal", 420),
    "AtkinsonHyperlegibleNext-Bold": ("atkinson-hyperlegible-next", "normal", 680),
}
OTHERS = [(0x20, 0x7E), (0xA0, 0x24F), (0x2B0, 0x5FF), (0x600, 0x6FF), (0x10A0, 0x10FF), (0x1E00, 0x1FFF),
          (0x2000, 0x206F), (0x20A0, 0x20CF), (0x25A1, 0x25A1), (0xFB50, 0xFDFF), (0xFE70, 0xFEFF)]  # fmt: skip
"""Scripts of the plain font: Latin, Greek, Cyrillic, Armenian, Hebrew, Arabic, Georgian."""


def main() -> None:
    """Writes every font."""
    for name, (family, style, weight) in CUTS.items():
        font = _merged(family, style, weight)
        _call(font, name, weight)
        font.save(TO / f"{name}.ttf")
    options = Options(layout_features=["*"], name_IDs=["*"], notdef_outline=True, hinting=False)
    plain = TTFont(sys.argv[1])
    subsetter = Subsetter(options)
    subsetter.populate(unicodes=[code for low, high in OTHERS for code in range(low, high + 1)])
    subsetter.subset(plain)
    plain.save(TO / "DejaVuSans.ttf")


def _merged(family: str, style: str, weight: int) -> TTFont:
    """One weight of a family, its parts put together."""
    with TemporaryDirectory() as place:
        paths = []
        for part in ("latin", "latin-ext"):
            font = TTFont(PARTS / family / f"files/{family}-{part}-wght-{style}.woff2")
            font.flavor = None
            instantiateVariableFont(font, {"wght": weight}, inplace=True)
            paths.append(str(Path(place) / f"{part}.ttf"))
            font.save(paths[-1])
        return Merger().merge(paths)


def _call(font: TTFont, name: str, weight: int) -> None:
    family, _, style = name.partition("-")
    for record in font["name"].names:
        told = {1: family, 2: style, 4: f"{family} {style}", 6: name, 16: family, 17: style}.get(record.nameID)
        if told is not None:
            record.string = told
    font["OS/2"].usWeightClass = weight


if __name__ == "__main__":
    main()
