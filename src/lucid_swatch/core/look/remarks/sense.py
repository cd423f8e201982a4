"""Beside colour: proportion and plain sense of a look, apart from its score. Short, and the stylist may wave it away."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field

from ...client.wishes import NO_WISHES, Wishes
from ...garment.piece import Piece
from ...garment.vocabulary import Category, Finish, Length, Toe, Volume, Worn
from ..body import ZONES, Zone
from .note import Note, note
from .proportion import wish_notes

FORMALITY_STEPS = 1.5
"""Steps between the least and the most formal piece that still agree."""
WARMTH_STEPS = 2.5
WARMTH_OFF = 1.5
"""Steps of warmth that a piece may be off the weather."""
CUT = 22.0
"""L* between a belt and what it holds that cuts the line of the figure."""
DARK_SHOE, PALE_HEM = 30.0, 68.0
WHITE_ABOVE = 90.0
LOUD = 0.5
"""Statement from which a necklace is one."""
LENGTHS = (Length.CROPPED, Length.WAIST, Length.HIP, Length.KNEE, Length.MIDI, Length.ANKLE, Length.FLOOR)
BARE_ANKLE = frozenset({Length.CROPPED, Length.WAIST, Length.HIP, Length.KNEE, Length.MIDI, Length.ANKLE})


@dataclass(frozen=True, slots=True)
class Circumstances:
    """What the day brings and what the client said."""

    rain: bool = False
    refused: Mapping[str, str] = field(default_factory=dict)
    """Why the client will not wear a piece, by its id."""
    irritants: Mapping[str, str] = field(default_factory=dict)
    """What a piece is marked with that irritates the client, by its id."""
    wishes: Wishes = NO_WISHES
    """The client's wishes for proportion."""
    formality: float | None = None
    """Of the occasion, 1 beach and garden .. 5 black tie."""
    warmth: float | None = None
    """That the weather asks for, 0 bare summer .. 4 deep winter."""


FORMALITY_WORDS = ("beach and garden", "every day", "a smart day", "a dressed evening", "black tie")
WARMTH_WORDS = ("bare summer", "a mild day", "a cool day", "a cold day", "deep winter")


def out_of_place(piece: Piece, day: Circumstances) -> tuple[str, str] | None:
    """Why a piece does not go to the occasion or into the weather, as a code and in words; None where nothing is
    against it. The code names the occasion or the weather, so that what is waved away is that one."""
    if (
        day.formality is not None
        and piece.formality is not None
        and abs(piece.formality - day.formality) > FORMALITY_STEPS
    ):
        return (
            f"occasion-{day.formality:.0f}",
            f"is for {formality_in_words(piece.formality)}, and the occasion is {formality_in_words(day.formality)}",
        )
    if day.warmth is not None and piece.warmth is not None and abs(piece.warmth - day.warmth) > WARMTH_OFF:
        return (
            f"weather-{day.warmth:.0f}",
            f"is for {_word(WARMTH_WORDS, piece.warmth)}, and it is {_word(WARMTH_WORDS, day.warmth)}",
        )
    if day.rain and Finish.SUEDE in piece.finish:
        return "suede-in-rain", "is suede, and it rains"
    if day.rain and Finish.STRAW in piece.finish:
        return "straw-in-rain", "is straw, and it rains"
    if day.rain and piece.details.toe is Toe.OPEN:
        return "open-in-rain", "is open at the toe, and it rains"
    return None


def formality_in_words(formality: float) -> str:
    """What the nearest occasion is called. formality: 1 beach and garden .. 5 black tie."""
    return _word(FORMALITY_WORDS, formality - 1)


def _word(words: tuple[str, ...], place: float) -> str:
    return words[min(max(round(place), 0), len(words) - 1)]


def sense_notes(pieces: tuple[Piece, ...], day: Circumstances) -> list[Note]:
    """What there is to think of in a look, the refusals first."""
    return [note for check in CHECKS for note in check(pieces, day)]


def _some(pieces: tuple[Piece, ...], *zones: Zone) -> list[Piece]:
    return [p for p in pieces if ZONES[p.category] in zones]


def _refusals(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    for piece in pieces:
        if piece.id in day.refused:
            yield note("refused", f"{piece.in_a_sentence}: the client will not wear {day.refused[piece.id]}", piece)
        if piece.id in day.irritants:
            yield note(
                "irritates",
                f"{piece.in_a_sentence} is marked with {day.irritants[piece.id]}, which irritates the client",
                piece,
            )


def _missing(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    upper, lower, whole = _some(pieces, Zone.UPPER), _some(pieces, Zone.LOWER), _some(pieces, Zone.WHOLE)
    if whole and lower:
        yield note(
            "doubled",
            f"{whole[0].in_a_sentence} with {lower[0].in_a_sentence}: both dress the legs",
            whole[0],
            lower[0],
        )
    if (upper or lower) and not whole and not (upper and lower):
        lacking = "nothing below the waist yet" if upper else "nothing above the waist yet"
        yield note("unfinished", lacking, *(upper or lower))
    feet = _some(pieces, Zone.FEET)
    if (whole or (upper and lower)) and not feet:
        yield note("barefoot", "no shoes yet")
    if len(feet) > 1:
        yield note("two-pairs", f"{feet[0].in_a_sentence} and {feet[1].in_a_sentence}: one pair too many", *feet[:2])


def _volume(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    upper = [p for p in _some(pieces, Zone.UPPER) if p.volume is Volume.FULL and p.worn is not Worn.TUCKED]
    lower = [p for p in _some(pieces, Zone.LOWER) if p.volume is Volume.FULL]
    belted = any(p.category is Category.BELT for p in pieces)
    if upper and lower and not belted and lower[0].length not in BARE_ANKLE:
        yield note(
            "full-with-full",
            f"{upper[0].in_a_sentence} and {lower[0].in_a_sentence} are both full: cinch the "
            f"waist, tuck, or bare the ankle",
            upper[0],
            lower[0],
        )


def _layers(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    coats = [p for p in pieces if p.category is Category.COAT and p.length is not None]
    under = [
        p for p in pieces if p.category in (Category.JACKET, Category.TUNIC, Category.DRESS) and p.length is not None
    ]
    for coat in coats:
        for one in under:
            if one.category is Category.JACKET and _place(coat) <= _place(one):
                yield note(
                    "coat-too-short",
                    f"{coat.in_a_sentence} is no longer than {one.in_a_sentence}: a coat goes over a "
                    f"jacket only when it is",
                    coat,
                    one,
                )
            if one.category is not Category.JACKET and _place(coat) == _place(one) - 1:
                yield note(
                    "hem-peeps",
                    f"{one.in_a_sentence} shows a hand under {coat.in_a_sentence}: clearly longer or "
                    f"clearly shorter looks meant",
                    coat,
                    one,
                )


def _place(piece: Piece) -> int:
    return LENGTHS.index(piece.length) if piece.length is not None else 0


def _line(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    for belt in (p for p in pieces if p.category is Category.BELT):
        for low in _some(pieces, Zone.LOWER, Zone.WHOLE):
            step = abs(float(belt.lab[0, 0]) - float(low.lab[0, 0]))
            if step > CUT:
                yield note(
                    "line-cut",
                    f"{belt.in_a_sentence} cuts the line of {low.in_a_sentence} by {step:.0f} L*; one "
                    f"in its colour would not",
                    belt,
                    low,
                )
    for shoe in _some(pieces, Zone.FEET):
        for low in _some(pieces, Zone.LOWER, Zone.WHOLE):
            if shoe.lab[0, 0] < DARK_SHOE and float(low.share @ low.lab[:, 0]) > PALE_HEM:
                yield note(
                    "dark-shoe", f"{shoe.in_a_sentence} is dark under the pale hem of {low.in_a_sentence}", shoe, low
                )


def _spread(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    formal = sorted((p for p in pieces if p.formality is not None), key=lambda p: p.formality or 0)
    if len(formal) > 1 and (formal[-1].formality or 0) - (formal[0].formality or 0) > FORMALITY_STEPS:
        low, high = formal[0], formal[-1]
        yield note(
            "formality",
            f"{low.in_a_sentence} and {high.in_a_sentence} are "
            f"{(high.formality or 0) - (low.formality or 0):.0f} steps of formality apart",
            low,
            high,
        )
    warm = sorted((p for p in pieces if p.warmth is not None), key=lambda p: p.warmth or 0)
    if len(warm) > 1 and (warm[-1].warmth or 0) - (warm[0].warmth or 0) > WARMTH_STEPS:
        low, high = warm[0], warm[-1]
        yield note("warmth", f"{low.in_a_sentence} is for heat and {high.in_a_sentence} for cold", low, high)


def _cloth(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    for piece in pieces:
        zone = ZONES[piece.category]
        if Finish.SHEER in piece.finish and zone in (Zone.UPPER, Zone.LOWER, Zone.WHOLE):
            yield note("sheer", f"{piece.in_a_sentence} is sheer: think of what is under it", piece)
        elif zone in (Zone.LOWER, Zone.WHOLE) and float(piece.share @ piece.lab[:, 0]) > WHITE_ABOVE:
            yield note("white", f"{piece.in_a_sentence} is white: a lining, and underwear in the skin's colour", piece)
        why = out_of_place(piece, day)
        if why is not None:
            yield note(why[0], f"{piece.in_a_sentence} {why[1]}", piece)


def _jewels(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    loud = [p for p in pieces if p.category is Category.NECKLACE and (p.statement or 0) > LOUD]
    earrings = [p for p in pieces if p.category is Category.EARRINGS]
    if loud and earrings:
        yield note(
            "necklace-and-earrings",
            f"{loud[0].in_a_sentence} speaks: leave {earrings[0].in_a_sentence} away",
            loud[0],
            earrings[0],
        )


def _proportion(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    yield from wish_notes(pieces, day.wishes)


def _unknown(pieces: tuple[Piece, ...], day: Circumstances) -> Iterator[Note]:
    """What nobody knows of the larger pieces: all that hangs on it counts for less."""
    large = _some(pieces, Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER)
    bare = [p for p in large if not p.finish]
    if bare:
        whose = bare[0].in_a_sentence if len(bare) == 1 else f"{len(bare)} pieces"
        yield note("surfaces-unknown", f"surfaces not known for {whose}: relief and shine count for less", *bare)


CHECKS: tuple[Callable[[tuple[Piece, ...], Circumstances], Iterator[Note]], ...] = (
    _refusals,
    _missing,
    _volume,
    _layers,
    _line,
    _spread,
    _cloth,
    _proportion,
    _jewels,
    _unknown,
)
