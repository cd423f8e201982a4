"""A candidate: a piece that may be bought and hangs nowhere yet."""

from dataclasses import dataclass, field, replace
from datetime import date, datetime
from enum import StrEnum

import numpy as np

from ...colour.arrays import FloatArray, Lab
from ...colour.names import name_colours
from ...garment.neutrals import neutrality
from ...garment.particulars import Particulars
from ...garment.piece import Piece
from ...garment.sorting import USUAL_UNCERTAINTY
from ...garment.word import Word, with_word
from .consider import PlainWord

SCREEN = 7.0
"""CIEDE2000 that a picture off a screen leaves open beside its reading: its light and what its maker did to it are
nobody's."""
READER = 1.0
"""CIEDE2000 that a colour reader on the cloth leaves open."""
EYE = 6.0
"""CIEDE2000 that a colour set by eye leaves open."""


class Source(StrEnum):
    """Where what is known of a candidate comes from."""

    PHOTO = "photo"
    SCREEN = "picture off a screen"
    READER = "colour reader"
    EYE = "by eye"
    GAP = "gap"
    """Nothing that was seen yet: a piece that is missing, to be looked for."""


WITH_PICTURE = (Source.PHOTO, Source.SCREEN)
DOUBTS = {Source.READER: READER, Source.EYE: EYE}


@dataclass(frozen=True, slots=True)
class Judged:
    """What was said of a candidate, and of how many pieces the rail was then."""

    word: PlainWord
    opens: int
    pieces: int
    on: date

    def differs(self, other: "Judged") -> bool:
        """Whether something else was said."""
        return (self.word, self.opens) != (other.word, other.opens)


@dataclass(frozen=True, slots=True)
class Candidate:
    """A piece that may be bought, as kept."""

    id: str
    client_id: str
    created_at: datetime
    source: Source
    word: Word = field(default_factory=Word)
    """What the stylist says of it."""
    photo_id: str | None = None
    """The photo or the picture that shows it; it is the candidate's alone."""
    colours: tuple[Lab, ...] = ()
    """Its colours where no picture tells them, each of an equal share, the main one first."""
    uncertainty: float | None = None
    """CIEDE2000 round them, where its source does not tell."""
    particulars: Particulars = field(default_factory=Particulars)
    """Price, size and note, as they come along when it is bought."""
    seen_at: str = ""
    """Where it was seen."""
    judged: Judged | None = None
    """What was said of it last."""
    before: Judged | None = None
    """What was said before that and is another word, until the stylist has seen the change."""


def piece_of(candidate: Candidate, read: Piece | None = None) -> Piece | None:
    """A candidate as a piece, with the stylist's word over what is known; None while nobody knows what or of which
    colour it is. read: what its picture tells."""
    if candidate.word.category is None:
        return None
    if read is not None:
        read = replace(read, id=candidate.id)
        found = _off_a_screen(read) if candidate.source is Source.SCREEN else read
    elif candidate.colours:
        lab = np.array(candidate.colours)
        doubt = candidate.uncertainty if candidate.uncertainty is not None else DOUBTS.get(candidate.source, EYE)
        called = f"{name_colours(lab, neutrality(lab) > 0.5)[0]} {candidate.word.category.value.replace('-', ' ')}"
        label = called[:1].upper() + called[1:]
        share, doubts = np.full(len(lab), 1 / len(lab)), np.full(len(lab), doubt)
        found = Piece(candidate.id, candidate.word.category, lab, share, label, uncertainty=doubts)
    else:
        return None
    return with_word(found, candidate.word)


def _off_a_screen(read: Piece) -> Piece:
    doubt: FloatArray = np.full(len(read.lab), USUAL_UNCERTAINTY) if read.uncertainty is None else read.uncertainty
    return replace(read, uncertainty=np.hypot(doubt, SCREEN))


def judged_anew(candidate: Candidate, now: Judged) -> Candidate:
    """A candidate with what is said of it now; what was said before is kept beside it where it is another word."""
    last = candidate.judged
    if last is None or not last.differs(now):
        return replace(candidate, judged=now if last is None else last)
    before = candidate.before or last
    return replace(candidate, judged=now, before=before if before.differs(now) else None)
