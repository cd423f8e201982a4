"""Pieces one after the other, by what is least known of them: what would change most looks is asked first."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import Any

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.chances import Chances, in_order
from lucid_swatch.core.garment.formality import formality_of
from lucid_swatch.core.garment.known import CUT_FROM, FINISH_FROM, Ways, as_seen
from lucid_swatch.core.garment.lengths import LENGTHS_OF, VOLUMED
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.proposals import Proposal
from lucid_swatch.core.garment.seen import NOTHING
from lucid_swatch.core.garment.usual_finishes import USUAL_FINISHES
from lucid_swatch.core.garment.vocabulary import Finish, Length, Volume
from lucid_swatch.core.garment.warmth import warmth_of
from lucid_swatch.core.look.body import ZONES
from lucid_swatch.core.look.dressing.base_looks import BASE
from lucid_swatch.core.look.dressing.worth_asking import Open, Worth, worth_asking
from lucid_swatch.core.look.rules.alone import alone
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import HungPiece

from .seen import seen_in
from .wardrobe import wardrobe_of
from .ways import studio_ways


class By(StrEnum):
    """What is asked about."""

    FINISH = "finish"
    LENGTH = "length"
    VOLUME = "volume"
    FORMALITY = "formality"
    WARMTH = "warmth"
    STATEMENT = "statement"
    FIT = "fit"


UNKNOWN = (By.FINISH, By.LENGTH, By.VOLUME, By.FORMALITY, By.WARMTH)
"""What is asked where nobody names one thing: how loud a piece is, is computed, and its fit moves no verdict."""
MOST_TRIED = 80
"""Pieces whose variants are scored; of more, those in most looks come first."""
OFFERED, TRIED = 8, 3
"""Options that are offered, and those that are tried out."""
SETTLED = 0.9
"""Chance from which what was seen need not be asked."""
POINTS_A_STEP = 0.4
"""What a step of formality or warmth is counted as: it moves no score, but says which looks a day can have."""
UNSURE_FIT = 0.3
STATEMENTS = (("quiet", 0.1), ("speaks", 0.4), ("loud", 0.8))
FORMALITY = ("beach and garden", "every day", "a smart day", "a dressed evening", "black tie")
WARMTH = ("bare summer", "a mild day", "a cool day", "a cold day", "deep winter")


@dataclass(frozen=True, slots=True)
class Option:
    """An answer."""

    word: str
    """As it is shown."""
    value: Any
    """As it is written: a word, a number, or yes and no."""
    chance: float


@dataclass(frozen=True, slots=True)
class Question:
    """Something that is asked about a piece."""

    piece_id: str
    by: By
    options: tuple[Option, ...]
    """Likeliest first; on a scale, from its low end."""
    because: str
    looks: float
    """Share of the base looks that hang on it."""
    points: float
    """How far the whole of such a look moves, whichever way it turns out."""


def walk(session: Session, client_id: str, by: By | None = None) -> list[Question]:
    """What is worth asking about the pieces of a rail, what changes most first. by: about one thing only."""
    loaded, ways = wardrobe_of(session, client_id), studio_ways(session)
    hung = [_looked_at(session, one) for one in loaded.hung][:MOST_TRIED]
    wanted = UNKNOWN if by is None else (by,)
    asked = [question for one in hung for question in _questions(one, ways) if question[0].by in wanted]
    worth = worth_asking(loaded.wardrobe, [open for _, open in asked])
    told = [_weighed(question, value) for (question, _), value in zip(asked, worth, strict=True)]
    return sorted(told, key=lambda one: (-one.looks * one.points, -one.looks))


def _looked_at(session: Session, one: HungPiece) -> HungPiece:
    """A piece that hung before its photo was asked for cut and cloth is looked at now."""
    if one.photo_id is None or one.piece.seen != NOTHING:
        return one
    seen = seen_in(Photos(session).get(one.photo_id), one.piece.category)
    return replace(one, piece=replace(one.piece, seen=seen))


def _weighed(question: Question, worth: Worth) -> Question:
    points = worth.points if question.by not in (By.FORMALITY, By.WARMTH, By.FIT) else question.points
    return replace(question, looks=round(worth.looks, 3), points=round(points, 2))


def _questions(one: HungPiece, ways: Ways) -> list[tuple[Question, Open]]:
    piece, seen = one.piece, as_seen(one.piece)
    found = [
        *_of_words(piece, seen, By.FINISH, () if piece.finish else _cloths(piece), FINISH_FROM),
        *_of_words(piece, seen, By.LENGTH, () if piece.length else _lengths(piece), CUT_FROM),
        *_of_words(piece, seen, By.VOLUME, () if piece.volume else _volumes(piece), CUT_FROM),
    ]
    if piece.formality is None:
        found.append(_on_scale(piece, seen, By.FORMALITY, formality_of(seen, ways.formality), FORMALITY, 1))
    warmth = warmth_of(seen, ways.warmth)
    if piece.warmth is None and warmth is not None:
        found.append(_on_scale(piece, seen, By.WARMTH, warmth, WARMTH, 0))
    if piece.statement is None:
        found.append(_statement(piece, seen))
    if one.particulars.fits is None and ZONES[piece.category] in BASE:
        options = (Option("fits", True, 0.8), Option("does not fit", False, 0.2))
        found.append((_ask(piece, By.FIT, options, "nobody has said whether it fits", UNSURE_FIT), _open(seen, (), "")))
    return found


def _cloths(piece: Piece) -> Chances[Any]:
    return piece.seen.finish or in_order(USUAL_FINISHES[piece.category])


def _lengths(piece: Piece) -> Chances[Any]:
    lengths = LENGTHS_OF.get(piece.category, ())
    return piece.seen.length or tuple((length, round(1 / len(lengths), 3)) for length in lengths)


def _volumes(piece: Piece) -> Chances[Any]:
    if piece.category not in VOLUMED:
        return ()
    return piece.seen.volume or ((Volume.EASY, 0.6), (Volume.CLOSE, 0.2), (Volume.FULL, 0.2))


def _of_words(
    piece: Piece, seen: Piece, by: By, chances: Chances[Any], counts_from: float
) -> list[tuple[Question, Open]]:
    if not chances or chances[0][1] >= SETTLED:
        return []
    likeliest, chance = chances[0]
    sure = f"{100 * chance:.0f} %"
    because = f"taken for {likeliest}, {sure}" if chance >= counts_from else f"not known: {likeliest} at best, {sure}"
    tried = tuple(_option(word, chance) for word, chance in chances[:TRIED])
    return [(_ask(piece, by, _offered(piece, by, chances), because), _open(seen, tried, by.value))]


def _option(word: StrEnum, chance: float) -> Option:
    return Option(word.value.replace("-", " "), word.value, chance)


def _offered(piece: Piece, by: By, chances: Chances[Any]) -> tuple[Option, ...]:
    """All answers of a scale in its order, or the likeliest finishes with what else such pieces usually are."""
    told = dict(chances)
    if by is By.FINISH:
        usual = [word for word, _ in in_order(USUAL_FINISHES[piece.category])]
        # what such pieces mostly are stays within reach, however unlikely it looks
        wanted = dict.fromkeys([*list(told)[: OFFERED - 2], *usual[:2], *told, *usual])
        return tuple(_option(word, told.get(word, 0.0)) for word in list(wanted)[:OFFERED])
    words: Sequence[StrEnum] = tuple(Volume) if by is By.VOLUME else LENGTHS_OF[piece.category]
    return tuple(_option(word, told.get(word, 0.0)) for word in words)


def _on_scale(
    piece: Piece, seen: Piece, by: By, proposal: Proposal, words: Sequence[str], low: int
) -> tuple[Question, Open]:
    options = tuple(
        Option(word, float(k + low), round(max(0.0, 1 - abs(k + low - proposal.value) / 2), 3))
        for k, word in enumerate(words)
    )
    because = f"proposed {proposal.value:g}: {proposal.because}"
    return _ask(piece, by, options, because, POINTS_A_STEP * proposal.doubt), _open(seen, (), "")


def _statement(piece: Piece, seen: Piece) -> tuple[Question, Open]:
    told = alone([seen])[0]
    near = min(STATEMENTS, key=lambda one: abs(one[1] - told.value))
    options = tuple(Option(word, value, 0.7 if (word, value) == near else 0.15) for word, value in STATEMENTS)
    return _ask(piece, By.STATEMENT, options, f"computed {told.value:g}: {told.because}"), _open(
        seen, options, "statement"
    )


def _ask(piece: Piece, by: By, options: tuple[Option, ...], because: str, points: float = 0.0) -> Question:
    return Question(piece.id, by, options, because, 0.0, points)


WORDS: dict[str, Callable[[str], Any]] = {
    "finish": lambda word: frozenset({Finish(word)}),
    "length": Length,
    "volume": Volume,
}


def _open(seen: Piece, options: Sequence[Option], name: str) -> Open:
    """The piece as each option would have it; as it is where the score does not hang on it."""
    told = []
    for one in options:
        said: dict[str, Any] = {name: WORDS[name](one.value) if name in WORDS else one.value}
        told.append((replace(seen, **said), max(one.chance, 0.01)))
    return Open(seen.id, tuple(told) or ((seen, 1.0),))
