"""The stylist's word on a piece, and a piece with the word over it."""

from dataclasses import dataclass, replace
from typing import Any, Literal

from .details import Details
from .piece import Piece
from .vocabulary import Bin, Category, Finish, Length, Metal, PatternType, Scale, Volume, Worn


@dataclass(frozen=True, slots=True, kw_only=True)
class Word:
    """The stylist's word on a piece; what is None stays as read."""

    category: Category | None = None
    label: str | None = None
    bin: Bin | Literal["as read"] | None = None
    pattern: PatternType | None = None
    scale: Scale | None = None
    finish: tuple[Finish, ...] | None = None
    metal: Metal | None = None
    volume: Volume | None = None
    length: Length | None = None
    formality: float | None = None
    warmth: float | None = None
    statement: float | None = None
    worn: Worn | None = None
    details: Details | None = None
    """Of the cut; what is None in it stays."""
    unsaid: tuple[str, ...] = ()
    """Names of words that are taken back, so that what is read or proposed counts again."""


UNSAYABLE: dict[str, Any] = {
    "finish": frozenset(),
    **dict.fromkeys(("volume", "length", "formality", "warmth", "statement", "worn")),
}
"""Words that can be taken back, with what stands where nothing is said."""

WORDS = (
    "category",
    "label",
    "pattern",
    "scale",
    "finish",
    "metal",
    "volume",
    "length",
    "formality",
    "warmth",
    "statement",
    "worn",
)


def with_word(piece: Piece, word: Word) -> Piece:
    """A piece with the stylist's word over it."""
    said: dict[str, Any] = {name: value for name in WORDS if (value := getattr(word, name)) is not None}
    if word.finish is not None:
        said["finish"] = frozenset(word.finish)
    if word.pattern is not None:
        said["pattern_confidence"] = 1.0
        if word.pattern is PatternType.SOLID:
            said["scale"] = None
    if word.details is not None:
        said["details"] = word.details.over(piece.details)
    for name in word.unsaid:
        if name in UNSAYABLE:
            said[name] = UNSAYABLE[name]
        else:
            said["details"] = replace(said.get("details", piece.details), **{name: None})
    if word.bin is not None:
        said["bin_said"] = None if word.bin == "as read" else word.bin
    return replace(piece, **said)


def over(before: Word, now: Word) -> Word:
    """A word with a later one over it: what the later one says counts, what it takes back is said no longer."""
    said: dict[str, Any] = {name: getattr(now, name) for name in (*WORDS, "bin") if getattr(now, name) is not None}
    if now.details is not None:
        said["details"] = now.details if before.details is None else now.details.over(before.details)
    word = replace(before, **said)
    for name in now.unsaid:
        nothing: dict[str, Any] = {name: None}
        if name in WORDS:
            word = replace(word, **nothing)
        elif word.details is not None:
            word = replace(word, details=replace(word.details, **nothing))
    return word
