"""A look as a list of strokes, the same for paper and for screens."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from lucid_swatch.core.client.head import ABOVE_CHIN, BELOW_CHIN, WIDE
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.book import Wearer
from lucid_swatch.core.look.figure.body import CHIN
from lucid_swatch.core.look.figure.figure import Figure, Lies
from lucid_swatch.core.look.figure.fills import fill_of
from lucid_swatch.core.look.figure.laid_out import Place
from lucid_swatch.core.look.figure.parts import Part, Role

Box = tuple[float, float, float, float]
"""Left, top, right and bottom, centimetres."""
HEAD: Box = (-WIDE / 2, CHIN - ABOVE_CHIN, WIDE / 2, CHIN + BELOW_CHIN)
"""Where a head that was cut from a portrait stands."""
BEYOND = 0.12
"""How far cloth reaches beyond its piece, so that it covers a sleeve whose grain is turned."""
EDGE, EDGE_DARK = 0.22, 0.26
"""Of the line round what is no skin: centimetres, and how dark."""
UNKNOWN = {Role.SKIN: "#d9d9d9", Role.HAIR: "#8a8a8a", Role.EYES: "#6d6d6d"}
"""What is drawn of somebody whose colouring nobody knows."""


@dataclass(frozen=True, slots=True, eq=False)
class Stroke:
    """One outline."""

    points: FloatArray
    """(n, 2), centimetres."""
    fill: str | None = None
    """A colour, as #rrggbb; None for a line."""
    piece: Piece | None = None
    """Whose cloth it is filled with, over its colour."""
    box: Box = (0.0, 0.0, 0.0, 0.0)
    """Over which the cloth is laid."""
    turn: float = 0.0
    """Degrees by which the grain is turned, clockwise."""
    dark: float = 0.0
    """How far it is darkened, 0..1; of a line, how dark it is."""
    width: float = 0.0
    """Of a line, centimetres."""
    edge: bool = True


def figure_strokes(figure: Figure, wearer: Wearer) -> Iterator[Stroke | None]:
    """A look on somebody; None stands where the head of a portrait goes."""
    boxes = {shape.piece.id: shape.box for shape in figure.shapes}
    for layer in figure.layers:
        if layer.lies is Lies.HEAD and wearer.head is not None:
            yield None
        else:
            box = (0.0, 0.0, 0.0, 0.0) if layer.piece is None else boxes[layer.piece.id]
            yield from _strokes(layer.parts, layer.piece, box, wearer)


def place_strokes(place: Place) -> Iterator[Stroke]:
    """A piece without a photo where it lies flat."""
    box = (place.left, place.top, place.left + place.width, place.top + place.height)
    yield from _strokes(place.parts, place.piece, box, Wearer())


def _strokes(parts: Sequence[Part], piece: Piece | None, box: Box, wearer: Wearer) -> Iterator[Stroke]:
    own = {Role.SKIN: wearer.skin, Role.HAIR: wearer.hair, Role.EYES: wearer.eyes}
    for part in parts:
        if part.role is Role.LINE:
            yield Stroke(part.points, dark=part.dark, width=part.width)
        elif part.role is Role.CLOTH and piece is not None:
            yield Stroke(part.points, lab_to_hex(piece.lab[0]), piece, laid(box), part.turn, part.dark)
        elif part.role is Role.COLOUR and piece is not None:
            yield Stroke(part.points, lab_to_hex(fill_of(part, piece)))
        else:
            lab = own.get(part.role)
            fill = UNKNOWN.get(part.role, "#bbbbbb") if lab is None else lab_to_hex(lab)
            yield Stroke(part.points, fill, dark=part.dark, edge=part.role is not Role.SKIN)


def laid(box: Box) -> Box:
    """Where cloth is laid so that it covers a piece with room to turn."""
    x, y = (box[2] - box[0]) * BEYOND, (box[3] - box[1]) * BEYOND
    return box[0] - x, box[1] - y, box[2] + x, box[3] + y


def covering(box: Box, aspect: float) -> Box:
    """Where a picture lies that covers a box from its middle. aspect: its width over its height."""
    wide, high = box[2] - box[0], box[3] - box[1]
    across, down = max(wide, high * aspect), max(high, wide / aspect)
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    return x - across / 2, y - down / 2, x + across / 2, y + down / 2
