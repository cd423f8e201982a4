"""What the screens send and get about what follows from a colouring."""

from lucid_swatch.core.client.suits import ColourRange
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Metal
from lucid_swatch.usecases.suits import Follows

from .base import Answer


class SuitingColour(Answer):
    """A colour that suits."""

    lab: list[float]
    hex: str
    name: str
    fit: float


class SuitingRange(Answer):
    """Colours that suit, varied, with the range they come from."""

    colours: list[SuitingColour]
    lightness: list[float]
    chroma: list[float]


class SuitingMetal(Answer):
    """A metal, and the chance that it sits with the skin."""

    metal: Metal
    chance: float


class SuitingPiece(Answer):
    """A piece of the rail against the client's colouring."""

    piece_id: str
    label: str
    hex: str
    picture: str | None
    fit: float
    inside: bool


class FollowsAnswer(Answer):
    """What follows from a colouring."""

    neutrals: SuitingRange
    tones: SuitingRange
    metals: list[SuitingMetal]
    contrast: list[float] | None
    pieces: list[SuitingPiece]


def follows_answer(follows: Follows, cloth: dict[str, str]) -> FollowsAnswer:
    """What follows from a colouring. cloth: as for a trial."""
    suits = follows.suits

    def told(found: ColourRange) -> SuitingRange:
        colours = [
            SuitingColour(
                lab=[round(float(v), 1) for v in lab], hex=lab_to_hex(lab), name=name, fit=round(float(fit), 3)
            )
            for lab, name, fit in zip(found.lab, found.names, found.fit, strict=True)
        ]
        return SuitingRange(
            colours=colours,
            lightness=[float(round(v)) for v in found.lightness],
            chroma=[float(round(v)) for v in found.chroma],
        )

    return FollowsAnswer(
        neutrals=told(suits.neutrals),
        tones=told(suits.tones),
        metals=[SuitingMetal(metal=metal, chance=round(chance, 2)) for metal, chance in suits.metals],
        contrast=None if follows.contrast is None else [float(round(v)) for v in follows.contrast],
        pieces=[
            SuitingPiece(
                piece_id=one.piece.id,
                label=one.piece.called,
                hex=lab_to_hex(one.piece.lab[0]),
                picture=cloth.get(one.piece.id),
                fit=round(fit, 2),
                inside=inside,
            )
            for one, fit, inside in follows.pieces
        ],
    )
