"""What the screens send and get about the audit of a rail."""

from datetime import datetime

import numpy as np

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Metal
from lucid_swatch.core.garment.wardrobe import MadeOf, Share
from lucid_swatch.core.look.dressing.outfits import GOOD, Outfits
from lucid_swatch.usecases.audit import Audit

from .base import Answer


class ShareAnswer(Answer):
    """A part of a rail's cloth."""

    name: str
    share: float
    before: float | None
    """The same share when the last visit began; none when nothing is known of then."""
    hex: str
    pieces: list[str]


class DuplicateAnswer(Answer):
    """Two pieces that are nearly one."""

    first: str
    second: str
    difference: float


class AuditAnswer(Answer):
    """What a rail is made of."""

    sorts: list[ShareAnswer]
    families: list[ShareAnswer]
    temperatures: list[ShareAnswer]
    lightness: list[ShareAnswer]
    heavy: list[str]
    """Names of the families of which there is much."""
    in_range: float | None
    """Share of the cloth that suits the client."""
    metals: dict[Metal, int]
    duplicates: list[DuplicateAnswer]
    since: datetime | None


class WorkAnswer(Answer):
    """How hard a rail works."""

    looks: int
    good: int
    good_from: float
    """The whole from which a look is good."""
    drawn: bool
    """Whether the numbers are estimates from a draw."""
    each: dict[str, int]
    """Good looks by piece id."""


def audit_answer(found: Audit) -> AuditAnswer:
    """The audit as the rail shows it."""
    made, before = found.made, found.before

    def shares(now: tuple[Share, ...], then: tuple[Share, ...]) -> list[ShareAnswer]:
        known = {one.name: one for one in then}
        gone = [one for name, one in known.items() if name not in {share.name for share in now}]
        return [
            ShareAnswer(
                name=one.name,
                share=0.0 if one in gone else round(one.share, 4),
                hex=lab_to_hex(_array(one.lab)),
                before=None if before is None else round(known[one.name].share, 4) if one.name in known else 0.0,
                pieces=[] if one in gone else list(one.pieces),
            )
            for one in (*now, *gone)
        ]

    then = before or MadeOf((), (), (), ())
    return AuditAnswer(
        sorts=shares(made.sorts, then.sorts),
        families=shares(made.families, then.families),
        temperatures=shares(made.temperatures, then.temperatures),
        lightness=shares(made.lightness, then.lightness),
        heavy=[one.name for one in made.heavy],
        in_range=None if found.in_range is None else round(found.in_range, 3),
        metals=dict(found.metals),
        duplicates=[DuplicateAnswer(first=a, second=b, difference=round(d, 1)) for a, b, d in found.duplicates],
        since=found.since,
    )


def work_answer(outfits: Outfits) -> WorkAnswer:
    """How hard a rail works, as the rail shows it."""
    return WorkAnswer(looks=outfits.looks, good=outfits.good, good_from=GOOD, drawn=outfits.drawn, each=outfits.each)


def _array(lab: object) -> FloatArray:
    return np.array(lab, dtype=float)
