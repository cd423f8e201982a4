"""The words of the open formats, written once."""

from enum import StrEnum


class Category(StrEnum):
    """What a piece is."""

    TOP = "top"
    SHIRT = "shirt"
    KNIT = "knit"
    JACKET = "jacket"
    COAT = "coat"
    DRESS = "dress"
    JUMPSUIT = "jumpsuit"
    SKIRT = "skirt"
    TROUSERS = "trousers"
    SHORTS = "shorts"
    HOSIERY = "hosiery"
    SHOES = "shoes"
    BOOTS = "boots"
    BAG = "bag"
    BELT = "belt"
    SCARF = "scarf"
    HAT = "hat"
    NECKLACE = "necklace"
    EARRINGS = "earrings"
    BRACELET = "bracelet"
    BROOCH = "brooch"
    WATCH = "watch"
    EYEWEAR = "eyewear"
    TIE = "tie"
    POCKET_SQUARE = "pocket-square"
    HAIR_PIECE = "hair-piece"
    GLOVES = "gloves"
    WAISTCOAT = "waistcoat"
    TUNIC = "tunic"
    WRAP = "wrap"
    HEADSCARF = "headscarf"
    RING = "ring"
    CUFFLINKS = "cufflinks"


class PatternType(StrEnum):
    """How the colours of a cloth lie."""

    SOLID = "solid"
    STRIPE = "stripe"
    CHECK = "check"
    DOT = "dot"
    FLORAL = "floral"
    ANIMAL = "animal"
    GEOMETRIC = "geometric"
    ABSTRACT = "abstract"
    COLOUR_BLOCK = "colour-block"
    MARL = "marl"
    GRAPHIC = "graphic"
    GRADIENT = "gradient"


class Scale(StrEnum):
    """Repeat or motif against the width of the body: small below 5 %, large above 15 %."""

    SMALL = "small"
    MEDIUM = "medium"
    LARGE = "large"


class Finish(StrEnum):
    """Surface of a cloth or material."""

    MATTE = "matte"
    KNIT = "knit"
    RIB = "rib"
    DENIM = "denim"
    LINEN = "linen"
    TWEED = "tweed"
    SUEDE = "suede"
    LEATHER = "leather"
    SATIN = "satin"
    SHEER = "sheer"
    LACE = "lace"
    VELVET = "velvet"
    PLEAT = "pleat"
    QUILT = "quilt"
    STRAW = "straw"
    PATENT = "patent"
    METALLIC = "metallic"
    PEARL = "pearl"
    STONE = "stone"
    SILK = "silk"
    CORDUROY = "corduroy"
    FUR = "fur"
    SEQUIN = "sequin"


class Metal(StrEnum):
    """Metal that shows."""

    NONE = "none"
    GOLD = "gold"
    SILVER = "silver"
    ROSE = "rose"
    MIXED = "mixed"


class Volume(StrEnum):
    """How far a piece stands off the body."""

    CLOSE = "close"
    EASY = "easy"
    FULL = "full"


class Length(StrEnum):
    """Where a piece ends."""

    CROPPED = "cropped"
    WAIST = "waist"
    HIP = "hip"
    KNEE = "knee"
    MIDI = "midi"
    ANKLE = "ankle"
    FLOOR = "floor"


class Worn(StrEnum):
    """How a layer or a top is worn."""

    OPEN = "open"
    CLOSED = "closed"
    TUCKED = "tucked"
    LOOSE = "loose"


class Sleeve(StrEnum):
    """Where a sleeve ends."""

    NONE = "none"
    SHORT = "short"
    ELBOW = "elbow"
    LONG = "long"


class Neckline(StrEnum):
    """How a piece ends at the neck."""

    ROUND = "round"
    POINTED = "pointed"
    WIDE = "wide"
    HIGH = "high"
    COLLAR = "collar"
    STRAPS = "straps"


class Closure(StrEnum):
    """How a piece is closed."""

    PULLED_ON = "pulled on"
    BUTTONS = "buttons"
    ZIP = "zip"
    WRAPPED = "wrapped"
    LACES = "laces"


class Heel(StrEnum):
    """How far a shoe lifts the heel."""

    FLAT = "flat"
    LOW = "low"
    HIGH = "high"


class Toe(StrEnum):
    """How a shoe ends in front."""

    ROUND = "round"
    NARROW = "narrow"
    POINTED = "pointed"
    OPEN = "open"


class Sole(StrEnum):
    """How heavy the sole of a shoe is."""

    THIN = "thin"
    MIDDLING = "middling"
    HEAVY = "heavy"


class Size(StrEnum):
    """How large a bag or a piece of jewellery is on the body."""

    SMALL = "small"
    MIDDLING = "middling"
    LARGE = "large"


class Part(StrEnum):
    """What a colour of a piece belongs to."""

    CLOTH = "cloth"
    TRIM = "trim"
    LINING = "lining"
    HARDWARE = "hardware"


class Bin(StrEnum):
    """Where a piece hangs."""

    WARM_NEUTRAL = "warm neutral"
    COOL_NEUTRAL = "cool neutral"
    BALANCED_NEUTRAL = "balanced neutral"
    TONE = "tone"
    PRINT = "print"


class Undertone(StrEnum):
    """Side of a colour or a skin."""

    WARM = "warm"
    COOL = "cool"
    BALANCED = "balanced"


PLAIN_PATTERNS = frozenset({PatternType.SOLID, PatternType.MARL})
"""Patterns that the eye takes as one cloth of one colour."""

SHINY_FINISHES = frozenset({Finish.SATIN, Finish.SILK, Finish.PATENT, Finish.METALLIC, Finish.SEQUIN, Finish.PEARL})
"""Surfaces that throw light back."""
