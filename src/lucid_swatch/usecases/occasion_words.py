"""Words that say how formal an event is: those of the studio count before those that everybody uses."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from sqlalchemy.orm import Session

from lucid_swatch.core.look.planning.occasions import Span
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.studio import Studio, StudioKey

from .changes import recorded

MOST_WORDS, LONGEST = 200, 60


@dataclass(frozen=True, slots=True)
class OccasionWords:
    """The studio's own words, each with how formal what bears it is."""

    words: Mapping[str, Span] = field(default_factory=dict)


WORDS = StudioKey("occasion words", OccasionWords)


def own_words(session: Session) -> Mapping[str, Span]:
    """The studio's own words."""
    kept = Studio(session).get(WORDS)
    return {} if kept is None else kept.words


def teach_word(session: Session, client_id: str, word: str, span: Span) -> None:
    """From now on a word says how formal an event is, on every plan. client_id: on whose rail it can be taken back."""
    Clients(session).get(client_id)
    said = " ".join(word.split()).lower()
    if not said or len(said) > LONGEST:
        raise Refused("this is no word.", word[:LONGEST], f"Write one to {LONGEST} letters.")
    if not 1 <= span[0] <= span[1] <= 5:
        raise Refused("formality runs from 1 to 5, the lower end first.", said, "Choose it anew.")
    words = dict(own_words(session))
    if said not in words and len(words) >= MOST_WORDS:
        raise Refused(f"the studio has {MOST_WORDS} words of its own already.", said, "Let one go first.")
    _write(session, client_id, words | {said: span}, f"'{said}' means {span[0]:g} to {span[1]:g}")


def forget_word(session: Session, client_id: str, word: str) -> None:
    """A word says what it says everywhere again. NotThere when it is none of the studio's."""
    words = dict(own_words(session))
    if word not in words:
        raise NotThere("this is no word of the studio.", word, "Load the page again.")
    del words[word]
    _write(session, client_id, words, f"'{word}' means what it usually does")


def _write(session: Session, client_id: str, words: Mapping[str, Span], told: str) -> None:
    with recorded(session, client_id, told) as change:
        change.touches("studio", WORDS.key)
        kept = Studio(session).get(WORDS) or OccasionWords()
        Studio(session).keep(WORDS, replace(kept, words=words))
