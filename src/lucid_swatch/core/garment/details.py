"""The cut of a piece beside its length and volume: what is said of sleeve, neck and closure, of heel, toe and sole."""

from dataclasses import dataclass

from .vocabulary import Category as C
from .vocabulary import Closure, Heel, Neckline, Size, Sleeve, Sole, Toe

SLEEVED = frozenset({C.TOP, C.SHIRT, C.KNIT, C.TUNIC, C.DRESS, C.JUMPSUIT, C.JACKET, C.COAT})
NECKED = SLEEVED | {C.WAISTCOAT}
SHOD = frozenset({C.SHOES, C.BOOTS})
SIZED = frozenset({C.BAG, C.BELT, C.NECKLACE, C.EARRINGS, C.BRACELET, C.BROOCH, C.WATCH, C.RING, C.EYEWEAR, C.HAT})
CLOSED = NECKED | SHOD | {C.SKIRT, C.TROUSERS, C.SHORTS}


@dataclass(frozen=True, slots=True)
class Details:
    """What is known of a cut; None where nothing is."""

    sleeve: Sleeve | None = None
    neckline: Neckline | None = None
    closure: Closure | None = None
    heel: Heel | None = None
    toe: Toe | None = None
    sole: Sole | None = None
    size: Size | None = None

    def over(self, other: "Details") -> "Details":
        """These, and the other's where these say nothing."""
        return Details(
            self.sleeve or other.sleeve,
            self.neckline or other.neckline,
            self.closure or other.closure,
            self.heel or other.heel,
            self.toe or other.toe,
            self.sole or other.sole,
            self.size or other.size,
        )

    @property
    def words(self) -> tuple[str | None, ...]:
        """In the order of the fields."""
        return (self.sleeve, self.neckline, self.closure, self.heel, self.toe, self.sole, self.size)


UNSAID = Details()


def asked_of(category: C) -> tuple[str, ...]:
    """What of the details such a piece has, by name."""
    groups = (
        ("sleeve", SLEEVED),
        ("neckline", NECKED),
        ("closure", CLOSED),
        ("heel", SHOD),
        ("toe", SHOD),
        ("sole", SHOD),
        ("size", SIZED),
    )
    return tuple(name for name, some in groups if category in some)
