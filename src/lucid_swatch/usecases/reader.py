"""The colour reader at work: a card measured once, a garment read directly."""

from dataclasses import dataclass, field, replace
from typing import Protocol

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import FloatArray, Lab, rounded
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.photo.card import GREY_STEPS, NOMINAL
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.card import CardDocument
from lucid_swatch.outside.reader import ColourReader
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import ClientRecord, PhotoRecord
from lucid_swatch.store.studio import Studio, StudioKey

from .again import read_again


@dataclass(frozen=True, slots=True)
class CardUnderWay:
    """A card that is being measured."""

    patches: dict[str, Lab] = field(default_factory=dict)
    """Those that were read, by their numbers."""


CARD, UNDER_WAY = StudioKey("card", CardDocument), StudioKey("card under way", CardUnderWay)
FARTHEST = 40.0
"""CIEDE2000 from what was asked of the printer beyond which the reader cannot be on that patch."""
READINGS = 3


class Hand(Protocol):
    """What lays things under the reader where the reader is a stand-in."""

    def on_tile(self) -> None:
        """Puts it on its white tile."""

    def on_patch(self, number: int) -> None:
        """Puts it on a patch of the card."""

    def on_cloth(self, photo: PhotoRecord) -> None:
        """Puts it on the garment of a photo."""

    def on_goods(self) -> None:
        """Puts it on what lies on the counter of a shop."""

    def on_face(self, client: ClientRecord, part: str) -> None:
        """Puts it on the skin, or on a lock of hair."""


def measured_card(session: Session) -> FloatArray | None:
    """(24, 3), CIELAB of the card as it was measured; None when it never was."""
    kept = Studio(session).get(CARD)
    return None if kept is None else kept.to_core()


def calibrate(reader: ColourReader, hand: Hand) -> None:
    """Reads the white tile. Refused when the reader is not on it."""
    hand.on_tile()
    reader.calibrate()


def measure_patch(session: Session, reader: ColourReader, hand: Hand, number: int) -> int:
    """Measures one patch of the card, 0 for the first; answers how many are still to come.

    The card counts as measured once every patch is; until then the one before stays in force. Refused when the patch
    cannot be the one that was asked for."""
    if not 0 <= number < len(NOMINAL):
        raise Refused("the card has no such patch.", f"patch {number + 1}", f"Give 1 to {len(NOMINAL)}.")
    studio = Studio(session)
    read = {} if number == 0 else dict((studio.get(UNDER_WAY) or CardUnderWay()).patches)
    hand.on_patch(number)
    lab = np.median([reader.read() for _ in range(READINGS)], axis=0)
    _check_patch(number, lab, NOMINAL[number])
    read[str(number)] = rounded(lab)
    left = len(NOMINAL) - len(read)
    if left:
        studio.keep(UNDER_WAY, CardUnderWay(read))
        return left
    studio.keep(CARD, CardDocument(patches=[list(read[str(k)]) for k in range(len(NOMINAL))]))
    studio.forget(UNDER_WAY)
    return 0


def _check_patch(number: int, lab: FloatArray, asked: FloatArray) -> None:
    where = f"patch {number + 1}"
    if float(delta_e_2000(lab, asked)) > FARTHEST:
        raise Refused("this cannot be the patch that was asked for.", where, "Go on at the patch that is named.")
    if number < GREY_STEPS and float(np.hypot(lab[1], lab[2])) > 12.0:
        raise Refused("this grey has a colour of its own.", where, "Print the card with black ink alone.")


def take_card(session: Session, document: CardDocument) -> None:
    """Takes a card that was measured elsewhere. Refused when a patch cannot be the one that was asked for."""
    for number, lab in enumerate(document.to_core()):
        _check_patch(number, lab, NOMINAL[number])
    Studio(session).keep(CARD, document)


def card_document(session: Session) -> CardDocument:
    """The measured card to take elsewhere. Refused when it never was measured."""
    kept = Studio(session).get(CARD)
    if kept is None:
        raise Refused("the card was never measured.", "reference card", "Measure it with the colour reader first.")
    return kept


def forget_card(session: Session) -> None:
    """Goes back to a card that was never measured: another one was printed."""
    Studio(session).forget(CARD)


def read_cloth(sessions: Sessions, reader: ColourReader, hand: Hand, photo_id: str) -> PhotoRecord:
    """Reads the garment of a photo directly, keeps the colour, and lets the photo be read again in its light."""
    with sessions() as session:
        photo = Photos(session).get(photo_id)
    hand.on_cloth(photo)
    lab = np.median([reader.read() for _ in range(READINGS)], axis=0)
    with sessions.begin() as session:
        return read_again(session, photo_id, lambda photo: replace(photo, reader=rounded(lab)))


def read_goods(reader: ColourReader, hand: Hand) -> Lab:
    """The colour of a cloth in a shop, read directly."""
    hand.on_goods()
    return rounded(np.median([reader.read() for _ in range(READINGS)], axis=0))


class OwnHand:
    """The stylist's own hand: she has laid the reader on what is asked for."""

    def on_tile(self) -> None:
        """She does it."""

    def on_patch(self, number: int) -> None:
        """She does it."""

    def on_cloth(self, photo: PhotoRecord) -> None:
        """She does it."""

    def on_goods(self) -> None:
        """She does it."""

    def on_face(self, client: ClientRecord, part: str) -> None:
        """She does it."""
