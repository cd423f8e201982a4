"""A piece as plain JSON values, for the journal: written exactly, read back the same."""

from datetime import datetime
from enum import StrEnum
from typing import Any

import numpy as np

from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.particulars import Particulars
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.seen import Seen
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

from .records import HungPiece, Snapshot
from .values import adapter_of, written

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


def snapshot_of(hung: HungPiece) -> Snapshot:
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
            "particulars": written(Particulars, hung.particulars),
            "details": written(Details, piece.details),
            "seen": written(Seen, piece.seen),
        }
    )


def hung_from(id: str, snapshot: Snapshot) -> HungPiece:
    """The piece that a snapshot tells of."""
    words: dict[str, Any] = {
        name: None if snapshot[name] is None else kind(snapshot[name]) for name, kind in WORDS.items()
    }
    piece = Piece(
        id=id,
        label=snapshot["label"],
        lab=np.array(snapshot["lab"], dtype=float),
        share=np.array(snapshot["share"], dtype=float),
        parts=tuple(Part(part) for part in snapshot["parts"]),
        uncertainty=None if snapshot["uncertainty"] is None else np.array(snapshot["uncertainty"], dtype=float),
        finish=frozenset(Finish(f) for f in snapshot["finish"]),
        details=adapter_of(Details).validate_python(snapshot["details"]),
        seen=adapter_of(Seen).validate_python(snapshot["seen"]),
        **words,
        **{name: snapshot[name] for name in NUMBERS},
    )
    return HungPiece(
        piece,
        snapshot["client_id"],
        datetime.fromisoformat(snapshot["created_at"]),
        snapshot["photo_id"],
        adapter_of(Particulars).validate_python(snapshot["particulars"]),
    )
