"""Where a look goes against the client's wishes for proportion. Only what is known of a cut is held against them."""

from collections.abc import Iterator

from ...client.wishes import Bare, Longer, Place, Stature, Wishes
from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Length, Neckline, Scale, Sleeve, Volume, Worn
from ..body import ZONES, Zone
from .note import Note, note

FULL_AT: dict[Zone, tuple[Place, ...]] = {
    Zone.UPPER: (Place.SHOULDER, Place.WAIST),
    Zone.LAYER: (Place.SHOULDER, Place.WAIST),
    Zone.LOWER: (Place.HIP, Place.HEM),
    Zone.WHOLE: (Place.HIP, Place.HEM),
}
"""Where a full piece of a zone is full."""
ABOVE_THE_KNEE = frozenset({Length.CROPPED, Length.WAIST, Length.HIP})
OVER_THE_KNEE = frozenset({Length.MIDI, Length.ANKLE, Length.FLOOR})
OVER_THE_ANKLE = frozenset({Length.FLOOR})
OPEN_NECKS = frozenset({Neckline.POINTED, Neckline.WIDE, Neckline.STRAPS})
SHORT_SLEEVES = frozenset({Sleeve.NONE, Sleeve.SHORT})
AT_THE_WAIST = frozenset({Length.CROPPED, Length.WAIST})


def wish_notes(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    """What goes against the wishes."""
    for check in (_fullness, _lines, _covered, _shown, _stature):
        yield from check(pieces, wishes)


def _in(pieces: tuple[Piece, ...], *zones: Zone) -> list[Piece]:
    return [piece for piece in pieces if ZONES[piece.category] in zones]


def _fullness(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    for piece in pieces:
        at = FULL_AT.get(ZONES[piece.category], ())
        amiss = [place for place in at if place in wishes.not_full and not _held(piece, place)]
        if piece.volume is Volume.FULL and amiss:
            places = " and ".join(place.value for place in amiss)
            yield note("full-unwelcome", f"{piece.in_a_sentence} is full at the {places}, which is not wished", piece)
    for place in wishes.full:
        dressed = [piece for piece in pieces if place in FULL_AT.get(ZONES[piece.category], ())]
        if dressed and all(piece.volume is Volume.CLOSE for piece in dressed):
            names = " and ".join(piece.in_a_sentence for piece in dressed[:2])
            yield note("full-missing", f"{names}: close at the {place.value}, where fullness is welcome", *dressed[:2])


def _held(piece: Piece, place: Place) -> bool:
    """Whether a full top is held at the waist."""
    return place is Place.WAIST and piece.worn is Worn.TUCKED


def _lines(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    lower = _in(pieces, Zone.LOWER)
    for top in _in(pieces, Zone.UPPER):
        if not lower or top.length is None:
            continue
        short = top.length in AT_THE_WAIST or top.worn is Worn.TUCKED
        if wishes.longer is Longer.LEG and not short:
            yield note(
                "leg-shorter", f"{top.in_a_sentence} hangs to the {top.length.value} and shortens the leg: tuck it", top
            )
        if wishes.longer is Longer.BODY and short:
            how = "is tucked in" if top.worn is Worn.TUCKED else f"ends at the {top.length.value}"
            yield note("body-shorter", f"{top.in_a_sentence} {how} and shortens the body", top)


def _covered(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    tops = _in(pieces, Zone.UPPER, Zone.WHOLE)
    layered = any(p.category in (C.JACKET, C.COAT, C.WRAP) or p.category is C.KNIT for p in pieces)
    scarf = any(p.category in (C.SCARF, C.WRAP) for p in pieces)
    legs = _in(pieces, Zone.LOWER, Zone.WHOLE)
    hose = bool(_in(pieces, Zone.LEGS))
    amiss: list[tuple[Bare, list[Piece]]] = [
        (Bare.ARMS, [] if layered else [p for p in tops if p.details.sleeve in SHORT_SLEEVES]),
        (Bare.NECK, [] if scarf else [p for p in tops if p.details.neckline in OPEN_NECKS]),
        (Bare.WAIST, [p for p in _in(pieces, Zone.UPPER) if p.length is Length.CROPPED]),
        (Bare.KNEES, [] if hose else [p for p in legs if p.length in ABOVE_THE_KNEE]),
        (Bare.ANKLES, [] if hose else [p for p in legs if p.length in (Length.KNEE, Length.MIDI, Length.ANKLE)]),
    ]
    for bare, some in amiss:
        if bare in wishes.covered and some:
            yield note(
                "bare-unwished",
                f"{some[0].in_a_sentence} shows the {bare.value}, to be covered by the client's wish",
                some[0],
            )


def _shown(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    legs = _in(pieces, Zone.LOWER, Zone.WHOLE)
    tops = _in(pieces, Zone.UPPER, Zone.WHOLE)
    hidden: list[tuple[Bare, list[Piece]]] = [
        (Bare.ARMS, [p for p in tops if p.details.sleeve is Sleeve.LONG]),
        (Bare.NECK, [p for p in tops if p.details.neckline is Neckline.HIGH]),
        (Bare.KNEES, [p for p in legs if p.length in OVER_THE_KNEE]),
        (Bare.ANKLES, [p for p in legs if p.length in OVER_THE_ANKLE]),
    ]
    for bare, some in hidden:
        if bare in wishes.shown and some:
            yield note(
                "covered-unwished",
                f"{some[0].in_a_sentence} covers the {bare.value}, to be shown by the client's wish",
                some[0],
            )


def _stature(pieces: tuple[Piece, ...], wishes: Wishes) -> Iterator[Note]:
    for piece in pieces:
        if wishes.stature is Stature.PETITE and piece.scale is Scale.LARGE:
            yield note(
                "large-on-petite", f"{piece.in_a_sentence}: a print so large covers much of a petite figure", piece
            )
        if wishes.stature is Stature.PETITE and piece.volume is Volume.FULL and piece.length is Length.FLOOR:
            yield note(
                "long-and-full",
                f"{piece.in_a_sentence} is full down to the floor: much cloth for a petite figure",
                piece,
            )
        if (
            wishes.stature is Stature.TALL
            and piece.category is C.TROUSERS
            and piece.length in (Length.KNEE, Length.MIDI)
        ):
            yield note(
                "short-on-tall", f"{piece.in_a_sentence} ends at the calf, which looks outgrown on a tall figure", piece
            )
