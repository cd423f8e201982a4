"""What looks of a wardrobe are held to: what the client refuses or cannot bear, what is always on, what does not come
today, and what is never parted."""

from collections.abc import Mapping, Sequence

import numpy as np

from ...client.about import About, what_irritates, why_refused
from ...garment.particulars import Particulars
from ...garment.piece import Piece
from ...garment.school import School
from ...garment.sorting import sort_pieces
from ...garment.vocabulary import Category
from ..remarks.sense import Circumstances, out_of_place


def refused_by(about: About, pieces: Sequence[Piece], school: School) -> dict[str, str]:
    """Why the client will not wear some of the pieces, by id."""
    refusals = about.refuses
    names: dict[str, tuple[str, ...]] = {piece.id: (piece.label,) for piece in pieces}
    if refusals.colours:  # only then does it matter what a colour is called
        sorts = sort_pieces(list(pieces), school)
        names = {piece.id: (s.name, s.family, piece.label) for piece, s in zip(pieces, sorts, strict=True)}
    found = {piece.id: why_refused(piece, names[piece.id], refusals) for piece in pieces}
    return {id: why for id, why in found.items() if why is not None}


def irritants_of(about: About, pieces: Sequence[Piece], told: Sequence[Particulars]) -> dict[str, str]:
    """What a piece is marked with that irritates the client, by id. told: what is kept about each piece."""
    found = {
        piece.id: what_irritates(f"{piece.label} {one.care} {one.note}", about)
        for piece, one in zip(pieces, told, strict=True)
    }
    return {id: what for id, what in found.items() if what is not None}


def always_on(about: About, pieces: Sequence[Piece]) -> tuple[Piece, ...]:
    """What joins every look of a client: glasses, a ring, a headscarf, and the lipstick as a colour at the face."""
    by_id = {piece.id: piece for piece in pieces}
    always = tuple(by_id[id] for id in about.always_on if id in by_id)
    if about.lipstick is None:
        return always
    lipstick = np.array([about.lipstick])
    return (*always, Piece("lipstick", Category.HAIR_PIECE, lipstick, np.ones(1), label="lipstick"))


def held_back(pieces: Sequence[Piece], told: Sequence[Particulars], day: Circumstances) -> dict[str, str]:
    """Why no look is made with a piece, by id: it does not fit, the client will not wear it or cannot bear it, it is not
    for the day. pieces: as they are known."""
    found: dict[str, str] = {}
    for piece, one in zip(pieces, told, strict=True):
        amiss = out_of_place(piece, day)
        if one.why_not_worn is not None:
            found[piece.id] = one.why_not_worn
        elif piece.id in day.refused:
            found[piece.id] = f"the client will not wear {day.refused[piece.id]}"
        elif piece.id in day.irritants:
            found[piece.id] = f"is marked with {day.irritants[piece.id]}, which irritates the client"
        elif amiss is not None:
            found[piece.id] = amiss[1]
    return found


def sets_of(sets: Mapping[str, str]) -> tuple[frozenset[str], ...]:
    """The sets of a rail, each of two pieces at least. sets: what each piece's set is called, by id; empty for none."""
    named: dict[str, set[str]] = {}
    for id, name in sets.items():
        if name:
            named.setdefault(name, set()).add(id)
    return tuple(frozenset(ids) for ids in named.values() if len(ids) > 1)
