"""A piece as plain JSON values, for the journal: written exactly, read back the same."""

from datetime import datetime
from enum import StrEnum
from typing import Any

import numpy as np

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Finish,
    Length,
    Metal,
    Part,
    PatternType,
    Scale,
    Volume,
    Worn,
)

from .records import HungPiece

NUMBERS = ("pattern_confidence", "formality", "warmth", "statement")
WORDS: dict[str, type[StrEnum]] = {
    "category": Category,
    "pattern": PatternType,
    "scale": Scale,
    "metal": Metal,
    "volume": Volume,
    "length": Length,
    "worn": Worn,
    "bin_said": Bin,
}


def snapshot_of(hung: HungPiece) -> dict[str, Any]:
    """All values of a piece but its id."""
    piece = hung.piece
    words = {name: None if (word := getattr(piece, name)) is None else word.value for name in WORDS}
    return (
        words
        | {name: getattr(piece, name) for name in NUMBERS}
        | {
            "label": piece.label,
            "lab": piece.lab.tolist(),
            "share": piece.share.tolist(),
            "parts": [part.value for part in piece.parts],
            "uncertainty": None if piece.uncertainty is None else piece.uncertainty.tolist(),
            "finish": sorted(f.value for f in piece.finish),
            "client_id": hung.client_id,
            "photo_id": hung.photo_id,
            "created_at": hung.created_at.isoformat(),
            "kept": hung.kept,
        }
    )


def hung_from(id: str, kept: dict[str, Any]) -> HungPiece:
    """The piece that a snapshot tells of."""
    words: dict[str, Any] = {name: None if kept[name] is None else kind(kept[name]) for name, kind in WORDS.items()}
    piece = Piece(
        id=id,
        label=kept["label"],
        lab=np.array(kept["lab"], dtype=float),
        share=np.array(kept["share"], dtype=float),
        parts=tuple(Part(part) for part in kept["parts"]),
        uncertainty=None if kept["uncertainty"] is None else np.array(kept["uncertainty"], dtype=float),
        finish=frozenset(Finish(f) for f in kept["finish"]),
        **words,
        **{name: kept[name] for name in NUMBERS},
    )
    return HungPiece(
        piece, kept["client_id"], datetime.fromisoformat(kept["created_at"]), kept["photo_id"], kept["kept"]
    )
