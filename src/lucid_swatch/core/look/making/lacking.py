"""Why fewer looks were made than asked for, what one change would give the rest, and what unused pieces would need."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Any

from ...garment.piece import Piece
from ..body import Zone
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from ..kept_look import TimeOfDay
from ..remarks.sense import formality_in_words
from .day import CLOTHES
from .judging import Judging
from .make import Made, choose, find, starts_that_do_not_go
from .material import Material
from .openings import Opening, lacks_zone, openings
from .wanted import Wanted

OTHER_SCHOOL = {
    "mute_round_statement": ("muted pieces round a statement piece", "a statement piece's colours picked up again"),
    "mix_metals": ("metals mixed", "metals that match"),
    "strict_neutrals": ("neutrals taken strictly", "neutrals taken broadly"),
    "one_print": ("one print in a look", "prints together"),
    "avoid_black_with_denim": ("no black with denim", "black with denim"),
    "one_white": ("whites that match", "whites that differ"),
    "pair_shoes_and_bag": ("shoes and bag as a pair", "shoes and bag that are only related"),
    "avoid_black_in_summer": ("no black in summer", "black in summer"),
}
"""What a school is called when it is turned on, and when it is turned off."""
TRIED = 3
"""Changes that are tried to the end: those that promise most."""


@dataclass(frozen=True, slots=True)
class Lack:
    """Why there are fewer looks than asked for."""

    text: str
    """Whole sentences."""
    more: int = 0
    """Looks that the change would add; 0 where none is known."""
    opening: Opening | None = None
    """The piece that the change is, where it is one."""


def why_fewer(wardrobe: Wardrobe, wanted: Wanted, made: Made) -> Lack | None:
    """Why fewer looks were made than were asked for, or what they do not start from; None where there is nothing to say."""
    if not wardrobe.pieces or made.material is None:
        return Lack("Nothing hangs on the rail yet: no look can be made.")
    stopped = _start_that_stops(made.material, wanted)
    if len(made.looks) >= wanted.number:
        return None if stopped is None else Lack(stopped)
    if stopped is not None and not made.looks:
        return Lack(stopped)
    lacks = lacks_zone(made.material)
    if lacks is not None:
        return _lacking(wardrobe, wanted, made.material, lacks)
    count = len(made.looks)
    if count:
        told = f"Only {count} of the {wanted.number} looks asked for: no others are good and in clothes of their own."
    elif 2 * len(made.left_out) > len(wardrobe.pieces):
        told = f"No look: {len(made.left_out)} of the {len(wardrobe.pieces)} pieces that hang here are not for what is asked."
    else:
        told = "No look: nothing that can be put together here is good."
    if stopped is not None:
        told = f"{stopped} {told}"
    best = _best_change(wardrobe, wanted, made)
    if best is None:
        return Lack(f"{told} No single change would give more.")
    return Lack(f"{told} {best.text}", best.more, best.opening)


def _start_that_stops(material: Material, wanted: Wanted) -> str | None:
    """What is said of starts that cannot come."""
    by_id = material.wardrobe.by_id
    missing = [id for id in wanted.start if id not in material.place]
    if missing:
        return f"{missing[0]} does not hang on this rail."
    held = [
        f"Left out: {by_id[id].in_a_sentence} ({material.left_out[id]})."
        for id in material.refused_start
        if id in by_id
    ]
    apart = starts_that_do_not_go(material)
    if apart:
        names = " and the ".join(material.known[k].in_a_sentence for k in apart[0].all)
        held.append(f"The {names} cannot be worn at once.")
    return " ".join(held) or None


def _lacking(wardrobe: Wardrobe, wanted: Wanted, material: Material, lacks: str) -> Lack:
    held_back = [piece for piece in wardrobe.pieces if piece.id in material.left_out and _is_of(piece, lacks)]
    told = f"No look is whole: what hangs here lacks {lacks}."
    if held_back:
        first = held_back[0]
        why = material.left_out[first.id]
        return Lack(f"No look is whole without {lacks}. Left out: {first.in_a_sentence} ({why}).")
    _, opened = openings(wardrobe, wanted)
    able = [one for one in opened if _opens(one, lacks)]
    if not able:
        return Lack(told)
    return Lack(
        f"{told} {_sentence(able[0].name)} would make {able[0].opens} {_good(able[0].opens)}.", able[0].opens, able[0]
    )


def _is_of(piece: Piece, lacks: str) -> bool:
    zone = zone_of(piece.category)
    return zone is Zone.FEET if "shoes" in lacks else zone in (Zone.UPPER, Zone.LOWER, Zone.WHOLE)


def _opens(one: Opening, lacks: str) -> bool:
    zone = zone_of(one.category)
    return (zone is Zone.FEET) == ("shoes" in lacks) and (zone is Zone.LOWER or "trousers" not in lacks)


def _good(count: int) -> str:
    return "good look" if count == 1 else "good looks"


def _sentence(words: str) -> str:
    return words[:1].upper() + words[1:]


def _best_change(wardrobe: Wardrobe, wanted: Wanted, made: Made) -> Lack | None:
    """The one change that gives most of the rest, tried to the end."""
    now, opened = openings(wardrobe, wanted)
    promising: list[tuple[int, int, Lack]] = []
    tried = list(_changes(wardrobe, wanted, made))
    for place, (told, other, question) in enumerate(tried):
        looks, _ = openings(other, question)
        if looks > now:
            promising.append((looks - now, -place, Lack(told)))
    if opened:
        first = opened[0]
        promising.append((first.opens, -len(tried), Lack(f"With {first.name}", opening=first)))
    promising.sort(key=lambda one: (-one[0], -one[1]))
    best: Lack | None = None
    for promise, place, lack in promising[:TRIED]:
        if lack.opening is not None:
            more = min(promise, wanted.number - len(made.looks))
        else:
            _, other, question = tried[-place]
            material = Material(other, question)
            judging = Judging(material)
            more = len(choose(judging, find(judging)).looks) - len(made.looks)
        if more > 0 and (best is None or more > best.more):
            best = replace(lack, text=f"{lack.text} there would be {more} more.", more=more)
    return best


def _changes(wardrobe: Wardrobe, wanted: Wanted, made: Made) -> Iterator[tuple[str, Wardrobe, Wanted]]:
    """Each single change to the school, the question or what is held back, in words, with what it makes of both."""
    for told, other in _other_schools(wardrobe):
        yield f"With {told}", other, wanted
    for why in dict.fromkeys(wardrobe.barred.values()):
        back = [piece for piece in wardrobe.pieces if wardrobe.barred.get(piece.id) == why]
        names = f"the {back[0].in_a_sentence}" if len(back) == 1 else f"{len(back)} pieces"
        rest = {id: one for id, one in wardrobe.barred.items() if one != why}
        yield f"With {names} again ({why})", replace(wardrobe, barred=rest), wanted
    if wanted.formality is not None:
        low, high = max(1.0, wanted.formality[0] - 1), min(5.0, wanted.formality[1] + 1)
        span = f"from {formality_in_words(low)} to {formality_in_words(high)}"
        yield f"For an occasion {span}", wardrobe, replace(wanted, formality=(low, high))
    if wanted.warmth is not None:
        yield "For any weather", wardrobe, replace(wanted, warmth=None)
    if wanted.wet:
        yield "On a dry day", wardrobe, replace(wanted, wet=False)
    if wanted.time:
        yield "For any time of the day", wardrobe, replace(wanted, time=TimeOfDay.ANY)
    if wanted.intent is not None:
        yield "Going for anything", wardrobe, replace(wanted, intent=None)


def _other_schools(wardrobe: Wardrobe) -> Iterator[tuple[str, Wardrobe]]:
    """The wardrobe as a stylist of the other school would judge it, for each school, with what it is then called."""
    for name, (on, off) in OTHER_SCHOOL.items():
        turned = not getattr(wardrobe.conventions, name)
        change: dict[str, Any] = {name: turned}
        yield (on if turned else off), replace(wardrobe, conventions=replace(wardrobe.conventions, **change))


@dataclass(frozen=True, slots=True)
class Need:
    """A garment that no look of a set uses, and what it would need."""

    piece: str
    """Id."""
    text: str
    good: int
    """Good looks that hold it as things are."""
    opening: Opening | None = None


def needs(wardrobe: Wardrobe, wanted: Wanted, made: Made, most: int = 8) -> list[Need]:
    """What the garments and shoes that no look uses would need, in the order of the rail."""
    if made.material is None or lacks_zone(made.material) is not None:
        return []
    used = {id for look in made.looks for id in look.piece_ids}
    unused = [
        wardrobe.pieces[k]
        # what no look could hold beside what it starts from was not asked for
        for k in made.material.beside_a_start
        if wardrobe.pieces[k].id not in used and zone_of(wardrobe.pieces[k].category) in CLOTHES | {Zone.FEET}
    ]
    return [need_of(wardrobe, wanted, piece) for piece in unused[:most]]


def need_of(wardrobe: Wardrobe, wanted: Wanted, piece: Piece) -> Need:
    """What one piece would need to be in good looks."""
    question = replace(wanted, start=(piece.id,), kept=(), dropped=())
    now, opened = openings(wardrobe, question)
    if now:
        return Need(piece.id, f"in none of these, although {now} {_good(now)} could hold it", now)
    best = next((one for one in opened if one.opens), None)
    if best is None:
        school = _school_that_helps(wardrobe, question)
        return Need(
            piece.id, f"in none. {school or 'Nothing that is usually worn would bring it into a good look.'}", 0
        )
    return Need(piece.id, f"in none. {_sentence(best.name)} would bring it into {best.opens}.", 0, best)


def _school_that_helps(wardrobe: Wardrobe, question: Wanted) -> str | None:
    found = [(openings(other, question)[0], told) for told, other in _other_schools(wardrobe)]
    looks, told = max(found, key=lambda one: one[0])
    return f"With {told} it would be in {looks}." if looks else None
