"""The harbour pilot, who now gives public talks: deep, warm, of gentle contrast."""

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import Length, Metal
from lucid_swatch.core.garment.vocabulary import PatternType as P

from .scenario import BULB, DAY, GOLD, LEATHER, LED, SHADE, SampleClient, SampleLook, SamplePortrait, SampleWall, sample
from .studio.portrait import Sitter
from .studio.scene import Room

SAMPLES = (
    sample("watch-coat.jpg", "Watch coat", C.COAT, ((21, 2, -15),), Room("wall", LED, 1.15), size=0.40, hardware=GOLD, metal=Metal.GOLD, length=Length.KNEE, formality=3, warmth=4),
    sample("rust-overcoat.jpg", "Rust overcoat", C.COAT, ((40, 28, 32),), Room("door", DAY, 1.0), size=0.40, length=Length.KNEE, formality=3, warmth=4),
    sample("lectern-jacket.jpg", "Lectern jacket", C.JACKET, ((26, 7, 10),), Room("sheet", LED, 1.05, card=True), finish=(F.TWEED,), formality=4, warmth=3),
    sample("pine-jacket.jpg", "Pine jacket", C.JACKET, ((30, -15, 8),), Room("wall", DAY, 1.05), formality=4, warmth=2),
    sample("cream-shirt.jpg", "Cream shirt", C.SHIRT, ((91, 1, 12),), Room("wood", DAY, 0.9, card=True), formality=4, warmth=1, hardware=(84, 2, 10), lining=(82, 1, 11)),
    sample("sky-shirt.jpg", "Sky shirt", C.SHIRT, ((72, -6, -22),), Room("sheet", LED, 0.95, card=True), formality=3, warmth=1, hardware=(70, -4, -16)),
    sample("ochre-shirt.jpg", "Ochre linen shirt", C.SHIRT, ((62, 14, 48),), Room("wood", BULB, 0.95, card=True), finish=(F.LINEN,), formality=2, warmth=0, hardware=(50, 12, 30)),
    sample("pilot-stripe.jpg", "Pilot stripe top", C.TOP, ((90, 1, 8), (30, 30, 20)), Room("carpet", LED, 0.95, card=True), pattern=P.STRIPE, repeat=0.09, formality=2, warmth=1),
    sample("harbour-sweater.jpg", "Harbour sweater", C.KNIT, ((24, 3, -18),), Room("wall", DAY, 1.1, hand=(58, 15, 20)), finish=(F.RIB,), formality=2, warmth=4),
    sample("saffron-knit.jpg", "Saffron knit", C.KNIT, ((68, 18, 62),), Room("sheet", DAY, 0.95), finish=(F.KNIT,), formality=2, warmth=3),
    sample("clay-knit.jpg", "Clay knit", C.KNIT, ((50, 22, 26),), Room("door", LED, 1.0), finish=(F.KNIT,), formality=3, warmth=3),
    sample("deck-trousers.jpg", "Deck trousers", C.TROUSERS, ((27, 1, -12),), Room("sheet", DAY, 1.1), size=0.42, formality=2, warmth=2),
    sample("tobacco-trousers.jpg", "Tobacco trousers", C.TROUSERS, ((38, 12, 22),), Room("wall", LED, 1.05), size=0.42, formality=3, warmth=2),
    sample("sand-trousers.jpg", "Sand trousers", C.TROUSERS, ((74, 4, 18),), Room("carpet", DAY, 0.95, card=True), size=0.42, formality=3, warmth=1),
    sample("olive-trousers.jpg", "Olive trousers", C.TROUSERS, ((38, -4, 22),), Room("wall", SHADE, 1.05), size=0.42, formality=2, warmth=2),
    sample("conker-boots.jpg", "Conker boots", C.BOOTS, ((30, 18, 20),), Room("sheet", LED, 1.05), size=0.62, finish=LEATHER, folds=0.2, formality=3, warmth=3),
    sample("dark-lace-ups.jpg", "Dark lace-ups", C.SHOES, ((18, 4, 6),), Room("carpet", DAY, 1.1), size=0.60, finish=LEATHER, folds=0.1, formality=4, warmth=2),
    sample("chart-bag.jpg", "Chart bag", C.BAG, ((34, 14, 22),), Room("wall", BULB, 1.0), size=0.58, finish=LEATHER, folds=0.15, hardware=GOLD, metal=Metal.GOLD, formality=3),
    sample("signal-scarf.jpg", "Signal scarf", C.SCARF, ((40, 48, 30),), Room("wood", DAY, 1.0, card=True), size=0.62, finish=(F.KNIT,), formality=2, warmth=2),
    sample("wool-cap.jpg", "Wool cap", C.HAT, ((28, 2, -14),), Room("sheet", BULB, 1.1), size=0.58, finish=(F.TWEED,), folds=0.3, formality=2, warmth=3),
)  # fmt: skip

LOOKS = (
    SampleLook("Talk at the port museum", ("lectern-jacket.jpg", "cream-shirt.jpg", "tobacco-trousers.jpg", "conker-boots.jpg", "chart-bag.jpg")),
    SampleLook("On the quay", ("watch-coat.jpg", "saffron-knit.jpg", "deck-trousers.jpg", "conker-boots.jpg", "wool-cap.jpg")),
)  # fmt: skip

WALLS = (SampleWall("Talks", 6, 3, formality=(2.5, 4.5)),)

PILOT = SampleClient(
    name="Tobe Arrun", note="Harbour pilot for thirty years, now speaks in public. Stands for hours, wind on most days.",
    sitter=Sitter(skin=(33.0, 10.0, 16.5), hair=(12.0, 2.0, 2.0), eyes=(19.0, 6.0, 8.0), hair_style="short"),
    portraits=(SamplePortrait("portrait-of-the-pilot.jpg", (1.04, 1.0, 0.9)),), samples=SAMPLES, looks=LOOKS, walls=WALLS, newest=("saffron-knit.jpg", "signal-scarf.jpg"),
    kept={"lectern-jacket.jpg": {"uses": ["talks"], "verdict": "keep"}, "watch-coat.jpg": {"uses": ["quay"], "verdict": "keep"}, "clay-knit.jpg": {"verdict": "mend"}},
    about={"dresses_for": "Talks under stage light, walks on the quay.", "refuses": {"patterns": ["floral"]}, "allergies": ["nickel"], "metal": "gold", "shoes": "boots", "height": 186},
)  # fmt: skip
