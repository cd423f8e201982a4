"""What the screens send and get about the company of a piece."""

from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.store.records import HungPiece
from lucid_swatch.usecases.neighbours import Company

from .base import Answer
from .photos import NeighbourAnswer, neighbour_answer
from .rail import picture_of


class PartnerAnswer(Answer):
    """A piece beside another one, as a look of two."""

    piece_id: str
    label: str
    score: float
    because: str
    hex: str
    picture: str | None


class CompanyAnswer(Answer):
    """The company of a piece."""

    same: list[NeighbourAnswer]
    clashes: list[NeighbourAnswer]
    partners: list[PartnerAnswer]
    fights: list[PartnerAnswer]


def company_answer(found: Company, rail: dict[str, HungPiece]) -> CompanyAnswer:
    """The company of a piece. rail: its pieces by id."""
    beside = [
        [
            PartnerAnswer(
                piece_id=one.piece.id,
                label=one.piece.called,
                score=one.score,
                because="" if one.because is None else one.because.text,
                hex=lab_to_hex(one.piece.lab[0]),
                picture=picture_of(rail.get(one.piece.id), "colour-0.jpg"),
            )
            for one in some
        ]
        for some in (found.partners, found.fights)
    ]
    same, clashes = (
        [neighbour_answer(one, rail.get(one.piece.id)) for one in some] for some in (found.same, found.clashes)
    )
    return CompanyAnswer(same=same, clashes=clashes, partners=beside[0], fights=beside[1])
