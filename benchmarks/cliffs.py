"""How far a measure moves when one colour of a look moves by one CIEDE2000, which nobody sees."""

from dataclasses import replace

import numpy as np

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.core.look.scorer.batch import make_batch
from lucid_swatch.core.look.verdict import score_batch

from .own_pairs import own_pairs

WARDROBE = {
    C.KNIT: [[82, 3, 18], [30, 0, -3], [21, 4, -22], [62, 9, 24], [92, 0, 4], [45, 52, 30], [64, 1, 7], [70, -8, 3]],
    C.TROUSERS: [[57, 12, 28], [18, 0, 0], [31, 3, -20], [72, 1, 9], [38, 8, 14], [45, -9, 16], [88, 1, 9]],
    C.COAT: [[58, 11, 27], [26, 0, -2], [66, 2, 10], [34, 30, 18], [24, -14, 6]],
    C.SHOES: [[40, 18, 26], [14, 0, 0], [90, 0, 3], [30, 6, 10], [46, 44, 26]],
    C.BAG: [[44, 20, 28], [16, 0, 0], [62, 2, 8], [50, 55, 20]],
}
LOOKS, STEPS = 1500, 50


def cliffs():
    """Figures over looks in the colours of wardrobes and over the project's own pairs."""
    draw = np.random.default_rng(21)
    figures = {}
    own = [look for pair in own_pairs() for look in (pair.better, pair.worse)]
    for name, looks in (("in wardrobe colours", wardrobe_looks(draw, LOOKS)), ("in the own pairs", own)):
        moved = np.array([steps_moved(look, draw, STEPS).reshape(STEPS, -1).max(axis=1) for look in looks])
        figures[name] = {
            "steps": moved.size,
            "that move a measure by more than 5": int((moved > 5).sum()),
            "worst": round(float(moved.max()), 1),
        }
    return figures


def steps_moved(look, draw, steps):
    """Points by which some single steps of one CIEDE2000 move each measure of a look. (steps * 5,)."""
    near = [look]
    for _ in range(steps):
        place = int(draw.integers(len(look.pieces)))
        direction = draw.normal(size=3)
        lab = look.pieces[place].lab.copy()
        lab[0] = _step(lab[0], direction / np.linalg.norm(direction))
        other = replace(look.pieces[place], lab=lab)
        near.append(replace(look, pieces=(*look.pieces[:place], other, *look.pieces[place + 1 :])))
    scores = score_batch(make_batch(near)).scores
    return np.nan_to_num(np.abs(scores[1:] - scores[0])).ravel()


def wardrobe_looks(draw, count):
    """Looks of two to five pieces in colours that hang in wardrobes, some with a client and an intent."""
    for k in range(count):
        slots = [slot for slot in WARDROBE if slot in (C.KNIT, C.TROUSERS) or draw.random() < 0.7]
        pieces = []
        for slot in slots:
            lab = np.array(WARDROBE[slot][draw.integers(len(WARDROBE[slot]))], float) + draw.normal(0, 2, 3)
            pieces.append(Piece(slot.value, slot, lab[None], np.ones(1)))
        face = Client(*(np.array([draw.uniform(20, 80), draw.uniform(3, 18), draw.uniform(5, 25)]) for _ in range(3)))
        yield Look(str(k), tuple(pieces), face if draw.random() < 0.6 else None, intent=draw.choice([None, *Intent]))


LENGTHS = np.linspace(0.05, 12.0, 240)


def _step(lab, direction):
    """A colour one CIEDE2000 away, or a little less; towards the ends of the scale of lightness along them."""
    along = lab + LENGTHS[:, None] * direction
    along[:, 0] = along[:, 0].clip(0, 100)
    beyond = delta_e_2000(lab, along) > 1.0
    return along[max(int(beyond.argmax()) - 1, 0) if beyond.any() else -1]
