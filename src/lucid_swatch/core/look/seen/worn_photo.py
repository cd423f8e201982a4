"""Whether a photo of a look as it is worn shows it down to the shoes."""

from ...colour.arrays import BoolArray, FloatArray

LIKELY = 0.5
EDGE = 0.015
"""Share of the height of a picture that counts as its lower edge."""
CUT = 0.04
"""Share of the width that a figure fills at the lower edge, from which it is cut off there."""


def shows_the_feet(person: FloatArray) -> bool:
    """Whether a figure ends inside the picture. person: (rows, columns), how likely each pixel belongs to it, 0..1.

    A figure that runs out of the lower edge is cut off; nobody at all shows no feet."""
    inside: BoolArray = person > LIKELY
    rows = max(round(len(inside) * EDGE), 1)
    return bool(inside.any() and inside[-rows:].any(axis=0).mean() < CUT)
