"""What the screens send and get about looks as they are drawn."""

from collections.abc import Sequence
from functools import lru_cache

from pydantic import Field

from lucid_swatch.core.client.head import ABOVE_CHIN, BELOW_CHIN, WIDE
from lucid_swatch.core.colour.spaces import lab_to_hexes
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Worn
from lucid_swatch.core.look.figure.body import CHIN
from lucid_swatch.core.look.figure.figure import HALF_WIDTH, ROOM, Figure, Layer, Lies, Step
from lucid_swatch.core.look.figure.fills import fill_of
from lucid_swatch.core.look.figure.laid_out import Place
from lucid_swatch.core.look.figure.parts import Part, Role
from lucid_swatch.usecases.figures import CUT_OUT, Asked, DrawnLook

from .base import Answer, Fraction, Request
from .rail import picture_of


class LookToDraw(Request):
    """A look to draw."""

    pieces: list[str] = Field(max_length=40)
    worn: dict[str, Worn] = Field(default_factory=dict, max_length=40)
    """How pieces are worn, by id, where it is not as they usually are."""
    seated: bool | None = None
    """Left out, as the wearer is mostly seen."""
    on: str | None = Field(default=None, max_length=200)
    """Another client who wears it."""

    def to_asked(self) -> Asked:
        """As the use cases take it."""
        return Asked(tuple(self.pieces), self.worn, self.seated, self.on)


class DrawRequest(Request):
    """Looks to draw."""

    looks: list[LookToDraw] = Field(min_length=1, max_length=60)


class PartAnswer(Answer):
    """An outline."""

    role: Role
    path: str
    """Path data as SVG has it, centimetres."""
    fill: str | None
    """Of a part in a colour of its own."""
    dark: float
    """How far it is darkened, 0 to 1; of a line, how dark it is."""
    turn: float
    """Degrees by which the grain is turned, clockwise."""
    width: float
    """Of a line, centimetres."""


class LayerAnswer(Answer):
    """Parts that are drawn together, in the order of drawing."""

    lies: Lies
    piece: str | None
    parts: list[PartAnswer]


class ShapeAnswer(Answer):
    """Where a piece is on the figure, centimetres from the middle and from the crown."""

    piece: str
    anchor: list[float]
    """Where stitches and threads are tied."""
    box: list[float]
    """Left, top, right and bottom, over which its cloth is laid."""


class StepAnswer(Answer):
    """A stretch of the figure and how light it is."""

    top: float
    bottom: float
    lightness: float


class HeadAnswer(Answer):
    """Where the picture of a head lies that was cut from a portrait."""

    left: float
    top: float
    width: float
    height: float


class FigureAnswer(Answer):
    """A look on a body, centimetres."""

    stature: float
    """Of the wearer standing, from the crown."""
    height: float
    """From the crown to the sole as drawn."""
    room: float
    """Above the crown, for hair and hats."""
    half_width: float
    head: HeadAnswer
    layers: list[LayerAnswer]
    shapes: list[ShapeAnswer]
    trace: list[StepAnswer]


class CutAnswer(Answer):
    """A picture, and what of it shows the piece."""

    picture: str
    left: Fraction
    top: Fraction
    right: Fraction
    bottom: Fraction


class PlaceAnswer(Answer):
    """Where a piece lies, centimetres from the top left corner."""

    piece: str
    left: float
    top: float
    width: float
    height: float
    cut: CutAnswer | None
    parts: list[PartAnswer]
    """Its outlines there, where it has no photo."""


class LaidOutAnswer(Answer):
    """A look laid out, centimetres."""

    width: float
    height: float
    places: list[PlaceAnswer]


class DrawnAnswer(Answer):
    """A look, drawn both ways."""

    figure: FigureAnswer
    laid_out: LaidOutAnswer


HEAD = HeadAnswer(left=-WIDE / 2, top=CHIN - ABOVE_CHIN, width=WIDE, height=ABOVE_CHIN + BELOW_CHIN)


def drawn_answer(look: DrawnLook) -> DrawnAnswer:
    """A look, drawn both ways."""
    flat = look.flat
    return DrawnAnswer(
        figure=figure_answer(look.figure, look.stature, look.trace),
        laid_out=LaidOutAnswer(
            width=round(flat.width, 2),
            height=round(flat.height, 2),
            places=[_place(place, look) for place in flat.places],
        ),
    )


def figure_answer(figure: Figure, stature: float, trace: Sequence[Step] = ()) -> FigureAnswer:
    """A figure. stature: of the wearer standing, centimetres; trace: how light it is from the neck to the foot."""
    return FigureAnswer(
        stature=stature,
        height=round(figure.height, 2),
        room=ROOM,
        half_width=HALF_WIDTH,
        head=HEAD,
        layers=[_layer(layer) for layer in figure.layers],
        shapes=[
            ShapeAnswer(
                piece=shape.piece.id,
                anchor=[round(side, 2) for side in shape.drawn.anchor],
                box=[round(side, 2) for side in shape.box],
            )
            for shape in figure.shapes
        ],
        trace=[
            StepAnswer(top=round(s.top, 2), bottom=round(s.bottom, 2), lightness=round(s.lightness, 2)) for s in trace
        ],
    )


def _layer(layer: Layer) -> LayerAnswer:
    piece = layer.piece
    return LayerAnswer(
        lies=layer.lies, piece=None if piece is None else piece.id, parts=[_part(part, piece) for part in layer.parts]
    )


def _part(part: Part, piece: Piece | None) -> PartAnswer:
    own = part.role is Role.COLOUR and piece is not None
    return PartAnswer(
        role=part.role,
        path=path_data(part),
        fill=lab_to_hexes(fill_of(part, piece)[None])[0] if own and piece is not None else None,
        dark=part.dark,
        turn=part.turn,
        width=part.width,
    )


@lru_cache(maxsize=8192)
def path_data(part: Part) -> str:
    """An outline as path data, centimetres. Parts that are kept keep theirs."""
    told = " ".join(f"{x:g},{y:g}" for x, y in part.points.round(2).tolist())
    return f"M{told}" if part.role is Role.LINE else f"M{told}Z"


def _place(place: Place, look: DrawnLook) -> PlaceAnswer:
    piece = place.piece
    return PlaceAnswer(
        piece=piece.id,
        left=round(place.left, 2),
        top=round(place.top, 2),
        width=round(place.width, 2),
        height=round(place.height, 2),
        cut=_cut(piece.id, look),
        parts=[_part(part, piece) for part in place.parts],
    )


def _cut(piece_id: str, look: DrawnLook) -> CutAnswer | None:
    there, picture = look.in_photo.get(piece_id), picture_of(look.hung[piece_id], CUT_OUT)
    if there is None or picture is None:
        return None
    return CutAnswer(picture=picture, left=there.left, top=there.top, right=there.right, bottom=there.bottom)
