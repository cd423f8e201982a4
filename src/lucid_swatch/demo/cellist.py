"""The cellist: on tour from October to May, warm, of middle contrast."""

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import Length, Metal, Volume
from lucid_swatch.core.garment.vocabulary import PatternType as P

from .scenario import (
    BULB,
    DAY,
    GOLD,
    LEATHER,
    LED,
    SHADE,
    STEEL,
    SampleCandidate,
    SampleCapsule,
    SampleClient,
    SampleComparison,
    SampleEvent,
    SampleLook,
    SamplePlan,
    SamplePortrait,
    SampleWall,
    SampleWear,
    sample,
)
from .studio.portrait import Sitter
from .studio.scene import Room

SAMPLES = (
    sample("long-coat.jpg", "Camel coat", C.COAT, ((60, 11, 30),), Room("wall", BULB, 0.95), size=0.40, hardware=(30, 9, 12), length=Length.MIDI, formality=3, warmth=4),
    sample("winter-coat.jpg", "Charcoal coat", C.COAT, ((29, 0, -3),), Room("wall", LED, 1.1, card=True), size=0.40, length=Length.KNEE, formality=4, warmth=4),
    sample("velvet-jacket.jpg", "Midnight velvet jacket", C.JACKET, ((17, 4, -19),), Room("door", LED, 1.15), finish=(F.VELVET,), formality=5, warmth=2),
    sample("check-jacket.jpg", "Checked jacket", C.JACKET, ((47, 8, 18), (81, 2, 14), (28, 22, 12)), Room("sheet", DAY, 0.9), pattern=P.CHECK, repeat=0.13, finish=(F.TWEED,), formality=3, warmth=3),
    sample("concert-dress.jpg", "Black concert dress", C.DRESS, ((14, 1, -1),), Room("wall", BULB, 1.25), style="long", size=0.36, finish=(F.SATIN,), length=Length.FLOOR, formality=5, warmth=1),
    sample("leaf-dress.jpg", "Leaf print dress", C.DRESS, ((27, -17, -6), (68, 14, 48), (60, -10, 22), (42, 36, 24)), Room("carpet", DAY, 1.0), pattern=P.FLORAL, repeat=0.2, size=0.38, length=Length.MIDI, formality=3, warmth=1),
    sample("ink-blouse.jpg", "Ink blouse", C.SHIRT, ((23, 4, -17),), Room("sheet", LED, 1.1, card=True), finish=(F.SILK,), formality=4, warmth=1, hardware=(30, 3, -12)),
    sample("ivory-shirt.jpg", "Ivory silk shirt", C.SHIRT, ((90, 1, 10),), Room("wood", LED, 0.95, card=True), finish=(F.SILK,), formality=4, warmth=1, hardware=(84, 1, 8), lining=(80, 1, 9)),
    sample("white-tee.jpg", "White tee", C.TOP, ((94, 0, 1),), Room("wood", DAY, 0.9, card=True), formality=2, warmth=0),
    sample("striped-top.jpg", "Striped top", C.TOP, ((92, 0, 4), (22, 4, -21)), Room("carpet", BULB, 0.95, card=True), pattern=P.STRIPE, repeat=0.07, formality=2, warmth=1),
    sample("grey-tee.jpg", "Grey marl tee", C.TOP, ((52, 0, -2), (78, 0, -1)), Room("sheet", LED, 1.0), pattern=P.MARL, repeat=0.01, formality=2, warmth=1),
    sample("greige-knit.jpg", "Greige knit", C.KNIT, ((74, 1, 8),), Room("sheet", BULB, 0.9, card=True), finish=(F.KNIT,), formality=2, warmth=3),
    sample("oxblood-knit.jpg", "Oxblood knit", C.KNIT, ((28, 27, 13),), Room("wall", LED, 1.05), finish=(F.KNIT,), formality=2, warmth=3),
    sample("rust-knit.jpg", "Rust ribbed knit", C.KNIT, ((46, 29, 34),), Room("door", DAY, 1.0), finish=(F.RIB,), formality=2, warmth=3),
    sample("oat-knit.jpg", "Oat knit", C.KNIT, ((82, 3, 15),), Room("carpet", LED, 0.95, card=True), finish=(F.KNIT,), formality=2, warmth=3),
    sample("charcoal-trousers.jpg", "Charcoal wide trousers", C.TROUSERS, ((31, 0, -4),), Room("wall", LED, 1.1), style="wide", size=0.40, volume=Volume.FULL, length=Length.ANKLE, formality=4, warmth=2),
    sample("black-trousers.jpg", "Black wide trousers", C.TROUSERS, ((15, 0, -1),), Room("sheet", BULB, 1.2), style="wide", size=0.40, volume=Volume.FULL, length=Length.FLOOR, formality=4, warmth=2),
    sample("camel-trousers.jpg", "Camel trousers", C.TROUSERS, ((58, 11, 27),), Room("door", LED, 1.0), style="wide", size=0.40, volume=Volume.FULL, length=Length.ANKLE, formality=3, warmth=2),
    sample("jeans.jpg", "Blue jeans", C.TROUSERS, ((36, -1, -20),), Room("wood", DAY, 1.0), size=0.42, finish=(F.DENIM,), formality=2, warmth=2, hardware=(55, 10, 25)),
    sample("green-skirt.jpg", "Bottle green satin skirt", C.SKIRT, ((27, -18, 6),), Room("wall", SHADE, 1.05), finish=(F.SATIN,), length=Length.MIDI, formality=4, warmth=1),
    sample("black-boots.jpg", "Black ankle boots", C.BOOTS, ((16, 0, 0),), Room("carpet", LED, 1.15), size=0.62, finish=LEATHER, folds=0.2, formality=3, warmth=3),
    sample("cognac-loafers.jpg", "Cognac loafers", C.SHOES, ((43, 20, 31),), Room("sheet", LED, 0.95, card=True), size=0.60, finish=LEATHER, folds=0.1, formality=3, warmth=2),
    sample("black-shoes.jpg", "Black flat shoes", C.SHOES, ((15, 0, -1),), Room("wood", DAY, 1.1), size=0.60, finish=LEATHER, folds=0.1, formality=4, warmth=1),
    sample("silver-shoes.jpg", "Silver shoes", C.SHOES, ((70, 0, -2),), Room("carpet", LED, 0.9), size=0.60, finish=(F.METALLIC,), folds=0.1, formality=5, warmth=1, metal=Metal.SILVER),
    sample("cognac-bag.jpg", "Cognac bag", C.BAG, ((44, 20, 32),), Room("wall", BULB, 0.95), size=0.60, finish=LEATHER, folds=0.15, hardware=GOLD, metal=Metal.GOLD, formality=3),
    sample("black-bag.jpg", "Small black bag", C.BAG, ((16, 0, 0),), Room("door", DAY, 1.1), size=0.50, finish=LEATHER, folds=0.15, hardware=STEEL, metal=Metal.SILVER, formality=4),
    sample("brown-belt.jpg", "Dark brown belt", C.BELT, ((25, 9, 11),), Room("sheet", LED, 1.0), size=0.58, finish=LEATHER, folds=0.1, hardware=GOLD, metal=Metal.GOLD, formality=3),
    sample("dotted-scarf.jpg", "Dotted scarf", C.SCARF, ((29, 26, 12), (86, 2, 11)), Room("wall", LED, 1.0), pattern=P.DOT, repeat=0.1, size=0.62, finish=(F.SILK,), formality=3, warmth=1),
    sample("pearls.jpg", "Pearl necklace", C.NECKLACE, ((88, 1, 6),), Room("wood", LED, 1.0, card=True), size=0.60, finish=(F.PEARL,), folds=0.0, pattern_said=P.SOLID, formality=4),
    sample("gold-hoops.jpg", "Gold hoops", C.EARRINGS, ((71, 4, 34),), Room("sheet", DAY, 0.8), size=0.62, finish=(F.METALLIC,), folds=0.0, pattern_said=P.SOLID, metal=Metal.GOLD, formality=3),
    sample("beret.jpg", "Oxblood beret", C.HAT, ((29, 26, 13),), Room("wood", BULB, 1.1), size=0.58, finish=(F.TWEED,), folds=0.3, formality=2, warmth=3),
    sample("IMG_2207.jpg", "Stone shirt", C.SHIRT, ((72, 1, 7),), Room("wood", BULB, 1.0), finish=(F.LINEN,), hung=False, hardware=(60, 3, 9)),
    sample("IMG_2208.jpg", "Teal skirt", C.SKIRT, ((38, -20, -13),), Room("sheet", LED, 1.0, card=True), hung=False),
    sample("IMG_2209.jpg", "Tile scarf", C.SCARF, ((84, 2, 10), (40, -6, -24), (56, 22, 38)), Room("carpet", DAY, 1.0), pattern=P.GEOMETRIC, repeat=0.17, size=0.62, hung=False),
)  # fmt: skip

LOOKS = (
    SampleLook("Train day, rehearsal at four", ("long-coat.jpg", "oat-knit.jpg", "camel-trousers.jpg", "cognac-loafers.jpg", "cognac-bag.jpg", "gold-hoops.jpg")),
    SampleLook("Solo evening", ("concert-dress.jpg", "black-shoes.jpg", "black-bag.jpg", "pearls.jpg")),
    SampleLook("Coffee with the quartet", ("check-jacket.jpg", "white-tee.jpg", "jeans.jpg", "cognac-loafers.jpg", "brown-belt.jpg")),
)  # fmt: skip

WALLS = (
    SampleWall("Tour wardrobe", 9, 4, ("camel-trousers.jpg", "charcoal-trousers.jpg", "black-trousers.jpg"), (2.0, 4.0)),
)  # fmt: skip

COMPARED = (
    SampleComparison("In steel blue.jpg", (44.0, -2.0, -22.0), (1.02, 0.94, 0.74)),
    SampleComparison("In rust.jpg", (46.0, 29.0, 34.0), (0.86, 0.90, 0.84)),
)
STAGE: dict[str, object] = {"uses": ["stage"]}
TRAVEL: dict[str, object] = {"uses": ["travel"]}
REHEARSAL: dict[str, object] = {"uses": ["rehearsal"]}
KEPT: dict[str, dict[str, object]] = {
    "concert-dress.jpg": STAGE | {"verdict": "keep", "fits": True, "size": "40", "price": 620, "care": "clean only, hang long"},
    "velvet-jacket.jpg": STAGE | {"verdict": "keep", "set": "midnight evening"},
    "green-skirt.jpg": STAGE | {"verdict": "alter", "note": "slides when she sits to play: a firmer waistband"},
    "black-trousers.jpg": STAGE | {"verdict": "keep", "fits": True},
    "silver-shoes.jpg": STAGE | {"verdict": "let go", "note": "loud on wooden stages"},
    "pearls.jpg": STAGE | {"verdict": "keep"},
    "ink-blouse.jpg": STAGE | {"verdict": "keep", "set": "midnight evening"},
    "ivory-shirt.jpg": STAGE | {"verdict": "keep", "care": "hand wash"},
    "long-coat.jpg": TRAVEL | {"verdict": "keep", "fits": True, "price": 480},
    "winter-coat.jpg": TRAVEL | {"verdict": "mend", "note": "lining torn at the left arm"},
    "camel-trousers.jpg": TRAVEL | {"verdict": "keep"}, "cognac-loafers.jpg": TRAVEL | {"verdict": "keep"},
    "cognac-bag.jpg": TRAVEL | {"verdict": "keep"}, "oat-knit.jpg": TRAVEL | {"verdict": "keep"}, "beret.jpg": TRAVEL,
    "jeans.jpg": REHEARSAL | {"fits": True}, "white-tee.jpg": REHEARSAL, "grey-tee.jpg": REHEARSAL | {"verdict": "let go"},
    "striped-top.jpg": REHEARSAL, "rust-knit.jpg": REHEARSAL | {"fits": False}, "check-jacket.jpg": REHEARSAL,
}  # fmt: skip

CANDIDATES = (
    SampleCandidate(
        sample("camel-boots.jpg", "Camel ankle boots", C.BOOTS, ((58, 6, 26),), Room("sheet", DAY, 1.0, card=True), size=0.62, finish=(F.SUEDE,), folds=0.2, formality=3, warmth=3),
        189, "39", "the shoemaker's by the station",
    ),
    SampleCandidate(
        sample("aqua-shirt.jpg", "Aqua shirt", C.SHIRT, ((62, -20, -20),), Room("sheet", DAY, 1.0), formality=3, warmth=1),
        64, "M", "an advertisement", off_a_screen=True,
    ),
)  # fmt: skip

TRAIN = ("long-coat.jpg", "oat-knit.jpg", "camel-trousers.jpg", "cognac-loafers.jpg", "cognac-bag.jpg")
SOLO = ("concert-dress.jpg", "black-shoes.jpg", "black-bag.jpg", "pearls.jpg")
WEARS = (
    SampleWear(3, ("check-jacket.jpg", "white-tee.jpg", "jeans.jpg", "cognac-loafers.jpg"), "quartet", "loved"),
    SampleWear(6, ("oat-knit.jpg", "charcoal-trousers.jpg", "black-boots.jpg"), "rehearsal", "fine"),
    SampleWear(9, TRAIN, "train", "loved", "warm enough for the platform"),
    SampleWear(11, SOLO, "concert", "loved"),
    SampleWear(14, ("striped-top.jpg", "jeans.jpg", "cognac-loafers.jpg"), "rehearsal", "off", "pulls at the shoulder when bowing"),
    SampleWear(16, TRAIN, "train", "fine"),
    SampleWear(18, ("ink-blouse.jpg", "black-trousers.jpg", "black-shoes.jpg"), "school visit"),
    SampleWear(22, SOLO, "concert", "loved", "nobody asked about the shoes"),
    SampleWear(23, TRAIN, "train", "fine"),
    SampleWear(27, ("greige-knit.jpg", "black-trousers.jpg", "black-boots.jpg"), "rehearsal", "fine"),
    SampleWear(30, ("check-jacket.jpg", "oat-knit.jpg", "camel-trousers.jpg", "cognac-loafers.jpg"), "gallery", "loved"),
    SampleWear(33, ("striped-top.jpg", "charcoal-trousers.jpg", "black-boots.jpg"), "rehearsal", "off"),
    SampleWear(38, SOLO, "concert", "fine"),
    SampleWear(39, TRAIN, "train", "loved"),
    SampleWear(45, ("oxblood-knit.jpg", "black-trousers.jpg", "black-boots.jpg"), "rehearsal", "fine"),
    SampleWear(52, SOLO, "concert", "loved"),
)  # fmt: skip

TOUR = SamplePlan(
    "Northern tour", "Vennby", -2, 9,
    (
        SampleEvent(0, "Train, five hours", 9), SampleEvent(1, "Rehearsal", 10), SampleEvent(1, "Concert", 19, ("hall at Vennby",)),
        SampleEvent(2, "Free day"), SampleEvent(3, "School visit", 11), SampleEvent(4, "Train", 14),
        SampleEvent(5, "Concert", 19, ("hall at Vennby",)), SampleEvent(6, "Gallery opening", 17), SampleEvent(8, "Concert", 20),
    ),
    locked=2,
    word="Nine days, and nothing to decide on a dark morning: open the day, and put on what lies there.",
)  # fmt: skip

CELLIST = SampleClient(
    name="Ilka Maren", note="Cellist, on tour from October to May. Sits to play: wide or long below, nothing that slides.",
    sitter=Sitter(skin=(61.0, 12.0, 23.0), hair=(19.0, 6.0, 8.0), eyes=(28.0, 9.0, 16.0), hair_style="up"),
    portraits=(SamplePortrait("portrait.jpg", (1.05, 1.0, 0.88)), SamplePortrait("portrait-in-the-evening.jpg", (1.16, 1.0, 0.72), ("make-up",))),
    samples=SAMPLES, looks=LOOKS, walls=WALLS, candidates=CANDIDATES, compared=COMPARED, trial=True, kept=KEPT, wears=WEARS, plans=(TOUR,), capsules=(SampleCapsule("Nine days", 12),), newest=("winter-coat.jpg", "charcoal-trousers.jpg", "rust-knit.jpg", "beret.jpg"),
    about={
        "dresses_for": "Concerts in the evening, trains by day, rehearsals in cold halls.",
        "refuses": {"heel": 4.0, "sheer": True, "lengths": ["cropped"], "colours": ["neon"]}, "metal": "gold",
        "shoes": "flat ones, on stage and off", "height": 163,
    },
)  # fmt: skip
