"""A few colours that already are a wardrobe: found, picked, edited, and which pieces are in them."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import FloatArray, rounded
from lucid_swatch.core.colour.few import few_colours, nearest_of
from lucid_swatch.core.colour.names import name_colours
from lucid_swatch.core.garment.in_palette import InPalette, in_palette
from lucid_swatch.core.garment.neutrals import is_neutral
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.look.body import area_of
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.palette import Palette, PaletteColour
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, NamedColour, PaletteRecord

from .changes import recorded


@dataclass(frozen=True, slots=True)
class Fitted:
    """A palette against a rail."""

    covered: tuple[float, ...]
    """Share of the rail's cloth that each colour covers as the nearest."""
    pieces: tuple[InPalette, ...]

    @property
    def share(self) -> float:
        """Share of the cloth that the palette covers."""
        return sum(self.covered)


def find_colours(
    session: Session, client_id: str, count: int, within: float, kept: Iterable[PaletteColour] = ()
) -> list[PaletteColour]:
    """The few colours that cover most of a client's rail within a CIEDE2000; those kept stay in and count.

    Refused with nothing on the rail."""
    hung = Pieces(session).of_client(client_id)
    if not hung:
        raise Refused("nothing hangs on the rail.", "palette", "Hang some pieces first.")
    lab, cloth = _cloth(hung)
    staying = list(kept)
    found = few_colours(
        lab, cloth, max(count - len(staying), 0), within, np.array([c.lab for c in staying]).reshape(-1, 3)
    )
    school = Clients(session).get(client_id).conventions.school
    return [*staying, *named_colours(lab[found.chosen], school)]


def named_colours(lab: FloatArray, school: School) -> list[PaletteColour]:
    """Colours with the names a person would say. lab: (n, 3)."""
    if not len(lab):
        return []
    names = name_colours(lab, is_neutral(lab, school))
    return [
        PaletteColour(name=name, lab=[round(float(v), 2) for v in one]) for name, one in zip(names, lab, strict=True)
    ]


def _cloth(hung: list[HungPiece]) -> tuple[FloatArray, FloatArray]:
    """Every colour of some pieces, and how much cloth has it."""
    lab = np.concatenate([one.piece.lab for one in hung])
    cloth = np.concatenate([one.piece.share * area_of(one.piece.category) for one in hung])
    return lab, cloth


def fit_palette(session: Session, client_id: str, colours: list[PaletteColour], within: float) -> Fitted:
    """Which pieces of a rail are in a palette, and how much cloth each of its colours covers."""
    hung = Pieces(session).of_client(client_id)
    if not hung or not colours:
        return Fitted((0.0,) * len(colours), ())
    lab, cloth = _cloth(hung)
    nearest, away = nearest_of(lab, np.array([c.lab for c in colours], dtype=float))
    reached = away <= within
    covered = tuple(float(cloth[reached & (nearest == k)].sum() / cloth.sum()) for k in range(len(colours)))
    pieces = in_palette([one.piece for one in hung], np.array([c.lab for c in colours], dtype=float), within)
    return Fitted(covered, pieces)


def keep_palette(
    session: Session, client_id: str, palette: Palette, within: float, id: str | None = None
) -> PaletteRecord:
    """Keeps a palette, new or over one that was kept. Refused without a name or a colour."""
    if not palette.name.strip():
        raise Refused("the palette has no name.", "name", "Write what it is for, such as 'Winter tour'.")
    if not palette.colours:
        raise Refused("the palette has no colour.", "palette", "Pick at least one.")
    before = None if id is None else Palettes(session).get(id)
    if before is not None and before.client_id != client_id:
        raise Refused("this palette belongs to another client.", before.name, "Load the page again.")
    colours = tuple(NamedColour(one.name, rounded(np.array(one.lab), 4)) for one in palette.colours)
    made = datetime.now(UTC) if before is None else before.created_at
    record = PaletteRecord(id or uuid4().hex, client_id, palette.name.strip(), colours, within, made)
    with recorded(session, client_id, f"kept the palette '{record.name}'") as change:
        change.touches("palette", record.id)
        if before is None:
            Palettes(session).add(record)
        else:
            Palettes(session).change(record.id, lambda now: record)
    return record


def let_palette_go(session: Session, id: str) -> None:
    """Lets a palette go."""
    palette = Palettes(session).get(id)
    with recorded(session, palette.client_id, f"let the palette '{palette.name}' go") as change:
        change.touches("palette", id)
        Palettes(session).remove(id)


def palette_of(record: PaletteRecord) -> Palette:
    """A kept palette as the open formats write it."""
    return Palette(
        name=record.name, colours=[PaletteColour(name=one.name, lab=list(one.lab)) for one in record.colours]
    )
