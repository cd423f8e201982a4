"""What a photo tells of a piece beside its colours, each likeliest first."""

from dataclasses import dataclass

from .chances import Chances
from .vocabulary import Closure, Finish, Heel, Length, Neckline, Sleeve, Toe, Volume


@dataclass(frozen=True, slots=True)
class Seen:
    """Chances of each word; empty where nothing shows."""

    length: Chances[Length] = ()
    volume: Chances[Volume] = ()
    sleeve: Chances[Sleeve] = ()
    neckline: Chances[Neckline] = ()
    toe: Chances[Toe] = ()
    heel: Chances[Heel] = ()
    finish: Chances[Finish] = ()
    closure: Chances[Closure] = ()


NOTHING = Seen()
