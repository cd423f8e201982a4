"""Something to think of in a look."""

from dataclasses import dataclass

from ...garment.piece import Piece


@dataclass(frozen=True, slots=True)
class Note:
    """Something to think of."""

    code: str
    text: str
    pieces: tuple[str, ...]
    """Ids."""

    @property
    def key(self) -> str:
        """What it is remembered by when it is waved away."""
        return " ".join((self.code, *sorted(self.pieces)))


def note(code: str, text: str, *pieces: Piece) -> Note:
    """A note about some pieces."""
    return Note(code, text, tuple(p.id for p in pieces))
