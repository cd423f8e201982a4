"""The botanist, who opens a glasshouse: fair, cool, of strong contrast."""

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import Length, Metal, Volume
from lucid_swatch.core.garment.vocabulary import PatternType as P

from .scenario import (
    BULB,
    DAY,
    LEATHER,
    LED,
    SHADE,
    STEEL,
    SampleClient,
    SampleLook,
    SamplePortrait,
    SampleWall,
    sample,
)
from .studio.portrait import Sitter
from .studio.scene import Room

SAMPLES = (
    sample("slate-coat.jpg", "Slate coat", C.COAT, ((42, -2, -11),), Room("wall", DAY, 1.05), size=0.40, length=Length.MIDI, formality=3, warmth=4),
    sample("plum-jacket.jpg", "Plum jacket", C.JACKET, ((26, 24, -14),), Room("door", DAY, 1.05), finish=(F.VELVET,), formality=4, warmth=2),
    sample("fog-jacket.jpg", "Fog jacket", C.JACKET, ((72, 0, -4),), Room("wood", LED, 0.95, card=True), formality=3, warmth=2),
    sample("opening-dress.jpg", "Opening night dress", C.DRESS, ((34, 12, -46),), Room("wall", LED, 1.05), style="long", size=0.36, finish=(F.SATIN,), length=Length.FLOOR, formality=5, warmth=1),
    sample("fern-dress.jpg", "Fern print dress", C.DRESS, ((88, -3, 4), (34, -28, 6), (56, -14, -18)), Room("carpet", DAY, 0.95, card=True), pattern=P.FLORAL, repeat=0.18, size=0.38, length=Length.MIDI, formality=3, warmth=1),
    sample("paper-shirt.jpg", "Paper white shirt", C.SHIRT, ((95, 0, -1),), Room("wood", DAY, 0.88, card=True), formality=3, warmth=1, hardware=(86, 0, 0), lining=(84, 0, -1)),
    sample("orchid-blouse.jpg", "Orchid blouse", C.SHIRT, ((62, 34, -22),), Room("sheet", LED, 1.0, card=True), finish=(F.SILK,), formality=4, warmth=1, hardware=(60, 28, -18)),
    sample("ice-top.jpg", "Ice blue top", C.TOP, ((84, -4, -10),), Room("wood", LED, 0.92, card=True), formality=2, warmth=0),
    sample("ink-stripe-top.jpg", "Ink stripe top", C.TOP, ((94, 0, 0), (16, 2, -10)), Room("carpet", DAY, 0.92, card=True), pattern=P.STRIPE, repeat=0.06, formality=2, warmth=1),
    sample("raspberry-knit.jpg", "Raspberry knit", C.KNIT, ((38, 48, 2),), Room("wall", DAY, 1.0), finish=(F.KNIT,), formality=2, warmth=3),
    sample("pearl-knit.jpg", "Pearl grey knit", C.KNIT, ((80, 0, -2),), Room("door", BULB, 0.95, card=True), finish=(F.KNIT,), formality=2, warmth=3),
    sample("emerald-knit.jpg", "Emerald knit", C.KNIT, ((42, -44, 10),), Room("sheet", DAY, 1.0), finish=(F.RIB,), formality=2, warmth=3),
    sample("graphite-trousers.jpg", "Graphite trousers", C.TROUSERS, ((27, 0, -3),), Room("wall", LED, 1.1, tag=True), style="wide", size=0.40, volume=Volume.FULL, length=Length.ANKLE, formality=3, warmth=2),
    sample("glasshouse-trousers.jpg", "Glasshouse trousers", C.TROUSERS, ((56, -2, -8),), Room("sheet", DAY, 1.0, card=True), size=0.42, formality=2, warmth=2),
    sample("midnight-skirt.jpg", "Midnight skirt", C.SKIRT, ((18, 5, -22),), Room("wall", SHADE, 1.15), finish=(F.SATIN,), length=Length.MIDI, formality=4, warmth=1),
    sample("steel-skirt.jpg", "Steel blue skirt", C.SKIRT, ((50, -4, -20),), Room("wood", DAY, 1.0, card=True), length=Length.MIDI, formality=3, warmth=1),
    sample("garden-boots.jpg", "Garden boots", C.BOOTS, ((22, -2, -6),), Room("carpet", LED, 1.1), size=0.62, finish=LEATHER, folds=0.2, formality=2, warmth=3),
    sample("silver-flats.jpg", "Silver flats", C.SHOES, ((74, 0, -3),), Room("sheet", DAY, 0.9), size=0.60, finish=(F.METALLIC,), folds=0.1, formality=4, warmth=1, metal=Metal.SILVER),
    sample("onyx-shoes.jpg", "Onyx shoes", C.SHOES, ((13, 0, -1),), Room("wood", LED, 1.15), size=0.60, finish=LEATHER, folds=0.1, formality=4, warmth=1),
    sample("seed-bag.jpg", "Seed bag", C.BAG, ((30, 2, -12),), Room("wall", DAY, 1.05), size=0.55, finish=LEATHER, folds=0.15, hardware=STEEL, metal=Metal.SILVER, formality=3),
    sample("leaf-scarf.jpg", "Leaf scarf", C.SCARF, ((90, 0, 0), (40, -36, 4)), Room("sheet", LED, 1.0, card=True), pattern=P.GEOMETRIC, repeat=0.16, size=0.62, finish=(F.SILK,), formality=3, warmth=1),
)  # fmt: skip

LOOKS = (
    SampleLook("Opening of the glasshouse", ("opening-dress.jpg", "silver-flats.jpg", "seed-bag.jpg")),
    SampleLook("Morning among the ferns", ("fog-jacket.jpg", "ice-top.jpg", "glasshouse-trousers.jpg", "garden-boots.jpg")),
)  # fmt: skip

WALLS = (SampleWall("Opening week", 7, 3, warmth=2.0),)

BOTANIST = SampleClient(
    name="Wenna Ostrel", note="Botanist. Opens a glasshouse in spring and will be photographed among leaves.",
    sitter=Sitter(skin=(82.0, 8.0, 9.5), hair=(15.0, 1.0, -1.0), eyes=(48.0, -4.0, -15.0), hair_style="bob"),
    portraits=(SamplePortrait("portrait-of-the-botanist.jpg", (0.98, 1.0, 1.04)),), samples=SAMPLES, looks=LOOKS, walls=WALLS, newest=("opening-dress.jpg", "silver-flats.jpg"),
    kept={"opening-dress.jpg": {"uses": ["opening"], "verdict": "alter"}, "garden-boots.jpg": {"uses": ["glasshouse"], "verdict": "keep"}},
    about={"dresses_for": "The opening, interviews, mornings among wet leaves.", "refuses": {"materials": ["suede"]}, "metal": "silver", "shoes": "boots that may get wet", "height": 171},
)  # fmt: skip
