"""Rails of made-up pieces for the tests of what is done with them."""

from datetime import UTC, date, datetime

import numpy as np

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.usecases.clients import add_client

NOW = datetime(2031, 5, 4, 10, 11, tzinfo=UTC)
NAVY, CREAM, TAN, RED, OLIVE = [21, 4, -22], [89, 2, 16], [57, 15, 29], [44, 60, 36], [42, -2, 13]
WARDROBE = [
    ("cream top", Category.TOP, CREAM),
    ("red knit", Category.KNIT, RED),
    ("navy trousers", Category.TROUSERS, NAVY),
    ("olive skirt", Category.SKIRT, OLIVE),
    ("tan shoes", Category.SHOES, TAN),
    ("navy coat", Category.COAT, NAVY),
]


def piece(id, category, lab, **values):
    return Piece(id, category, np.array([lab], float), np.ones(1), label=id, **values)


def a_client(session, name="Maren"):
    return add_client(session, name, date(2031, 5, 4)).id


def hang_all(session, client_id, wardrobe=WARDROBE):
    for id, category, lab in wardrobe:
        Pieces(session).add(HungPiece(piece(id, category, lab), client_id, NOW))
