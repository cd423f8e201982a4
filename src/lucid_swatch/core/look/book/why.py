"""Why a look works, in one sentence that a client would say: from the strongest reasons of its verdict."""

from collections.abc import Callable, Mapping, Sequence

from ...garment.piece import Piece
from ..look import Look
from ..verdict import Reason, Verdict
from .words import named, sentence, verb

Told = Callable[[Sequence[Piece], Look], str]
"""Makes words of the pieces that a reason names; it names at least one."""


def _face(pieces: Sequence[Piece], look: Look) -> str:
    return f"{named(pieces)} at the face {verb(pieces, 'is', 'are')} of the same warmth as your skin"


TELLS: dict[str, Told] = {
    "colours-together": lambda p, look: "its colours like each other's company",
    "temperature-agrees": lambda p, look: f"{named(p)} share one temperature, so nothing looks left over",
    "metal-with-temperature": lambda p, look: f"the metal of {named(p)} has the warmth of the cloth",
    "one-metal": lambda p, look: "there is one metal throughout",
    "metals-mixed": lambda p, look: "gold and silver are mixed on purpose",
    "stark-black": lambda p, look: f"the black of {named(p)} comes twice, so it is meant",
    "pale-accessories": lambda p, look: (
        f"{named(p)} {verb(p, 'is', 'are')} light enough for it, so nothing weighs it down"
    ),
    "pop": lambda p, look: f"{named(p)} {verb(p, 'is', 'are')} the one bright word in a quiet look",
    "strong-held-by-quiet": lambda p, look: f"something quiet holds {named(p)}",
    "clarity-agrees": lambda p, look: "its colours are all equally soft",
    "echo": lambda p, look: f"the colour of {named(p)} comes back elsewhere, so it is meant",
    "foot-answers": lambda p, look: f"{named(p)} {verb(p, 'repeats', 'repeat')} what is worn above",
    "accent-from-the-print": lambda p, look: f"{named(p)} {verb(p, 'takes', 'take')} up a colour of the print",
    "prints-together": lambda p, look: f"{named(p)} share a colour, so the patterns talk to each other",
    "brown-with-blue": lambda p, look: f"{named(p)} {verb(p, 'warms', 'warm')} the blue",
    "shoes-and-bag": lambda p, look: f"{named(p)} belong together",
    "contrast-fits": lambda p, look: (
        "it goes as far from light to dark as your own colouring does"
        if look.client is not None
        else "the step from light to dark is just wide enough"
    ),
    "one-family": lambda p, look: "its colours are of one family, so the eye runs from top to toe",
    "relief": lambda p, look: "light and dark, smooth and rough keep one colour alive",
    "column": lambda p, look: f"{named(p)} make one long line",
    "one-voice": lambda p, look: f"{named(p)} {verb(p, 'speaks', 'speak')}, and the rest listens",
    "quiet-with-relief": lambda p, look: "nothing shouts: the surfaces do the talking",
    "picked-up": lambda p, look: f"{named(p)} {verb(p, 'repeats', 'repeat')} what is in the print",
    "partners-muted": lambda p, look: "everything round the strong piece keeps quiet",
    "accent-wanted": lambda p, look: f"{named(p)} {verb(p, 'is', 'are')} the accent",
    "near-face-temperature": _face,
    "near-face-clarity": lambda p, look: f"{named(p)} {verb(p, 'is', 'are')} as clear as your eyes",
    "contrast-of-the-face": lambda p, look: "its contrast is that of your face",
}
"""What each reason is in a client's words; one that is not here is left to the stylist's tapes."""
GENERAL = {"contrast-fits", "one-family", "colours-together", "contrast-of-the-face", "clarity-agrees"}
HARDLY, AT_MOST, SECOND = 0.35, 3, 0.4
"""What a reason counts for that names no relation, the most pieces that one sentence names, and how strong a second reason
has to be beside the first."""
SAME = ({"contrast-fits", "contrast-of-the-face"}, {"one-voice", "pop", "accent-wanted", "partners-muted"},
        {"echo", "stark-black", "shoes-and-bag", "foot-answers"}, {"picked-up", "accent-from-the-print"},
        {"relief", "quiet-with-relief"}, {"one-family", "column"})  # fmt: skip
"""Reasons that say nearly the same to a client."""


def why_it_works(look: Look, verdict: Verdict, said: Mapping[str, int] | None = None) -> str:
    """One sentence from the one or two strongest reasons, rather from what is said of few other looks of the book.

    said: how often each reason was told already, by code. Empty where nothing speaks for the look."""
    ranked = strongest(look, verdict, said or {})
    if not ranked:
        return ""
    by_id = {piece.id: piece for piece in look.worn}
    first = ranked[0]
    second = next((one for one in ranked[1:] if one.points >= SECOND * first.points or one.code not in GENERAL), None)
    told = [TELLS[one.code]([by_id[id] for id in one.pieces if id in by_id], look) for one in (first, second) if one]
    return sentence("; ".join(told))


def strongest(look: Look, verdict: Verdict, said: Mapping[str, int]) -> list[Reason]:
    """The reasons that can be told to a client, the most telling first, each of another kind."""
    ids = {piece.id for piece in look.worn}
    found = [
        reason
        for measure in verdict.measures.values()
        if measure is not None
        for reason in measure.because
        if reason.points > 0 and reason.code in TELLS and not reason.meant and _can_be_named(reason, ids)
    ]
    found.sort(key=lambda one: -one.points * (HARDLY if one.code in GENERAL else 1.0) / (1 + said.get(one.code, 0)))
    taken: list[Reason] = []
    for reason in found:
        kin = next((some for some in SAME if reason.code in some), {reason.code})
        if not any(other.code in kin for other in taken):
            taken.append(reason)
    return taken


def _can_be_named(reason: Reason, ids: set[str]) -> bool:
    if reason.code in GENERAL or reason.code in ("quiet-with-relief", "relief", "one-metal", "partners-muted"):
        return True
    named_here = [id for id in reason.pieces if id in ids]
    wanted = 2 if reason.code in ("column", "shoes-and-bag", "temperature-agrees", "prints-together") else 1
    return wanted <= len(named_here) <= AT_MOST
