"""A day in stages: layers come off and shoes change from morning to night, and every stage is a whole look."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import product

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ...garment.known import as_known
from ...garment.piece import Piece
from ...garment.vocabulary import Category
from ..body import Zone
from ..dressing.dress import is_split, zone_of
from ..dressing.wardrobe import NOTHING, Wardrobe
from ..kept_look import DayStage
from ..look import Look
from ..verdict import DIGITS, score_batch
from .clash import wearable_pairs
from .day import LAYER_FROM, DayTable, why_left_out
from .wanted import Wanted

SWAPPED = (Zone.LAYER, Zone.FEET)
"""Zones in which something else is tried, beside the bag; the clothes under a layer stay on."""
EACH_CHANGE = 4.0
"""Points of the whole that a change between two stages has to be worth: what is not changed need not be carried."""
A_STEP_AWAY = 12.0
"""Points of the whole that a step of formality away from what is asked costs, where nothing reaches it."""
BAGS = 6


def question_of(stage: DayStage) -> Wanted:
    """A stage as a question for one look."""
    span = None if stage.formality is None else (stage.formality, stage.formality)
    return Wanted(1, formality=span, warmth=stage.warmth, wet=stage.wet, time=stage.time)


@dataclass(frozen=True, slots=True, eq=False)
class Stage:
    """A look at one stage of a day."""

    when: str
    look: Look
    whole: float
    amiss: tuple[str, ...] = ()
    """What of the stage could not be met, in words."""


def stages(look: Look, asked: Sequence[DayStage], layers_only: bool = False) -> list[Stage]:
    """The look over a day: for each stage the fewest changes of layer, shoes and what is carried that suit it.

    What a stage changes, the next starts from. Empty where nothing is asked. layers_only: shoes and bag stay as they are."""
    found: list[Stage] = []
    now = look
    for one in asked:
        stage = _stage(look, now, one, SWAPPED[:1] if layers_only else SWAPPED)
        found.append(stage)
        now = stage.look
    return found


def weakest(found: Sequence[Stage]) -> Stage:
    """The stage that speaks for the day. found: at least one."""
    return min(found, key=lambda stage: stage.whole)


def _stage(first: Look, now: Look, asked: DayStage, swapped: tuple[Zone, ...]) -> Stage:
    wardrobe = Wardrobe.round(now)
    known = [as_known(piece) for piece in wardrobe.everything]
    place = {piece.id: k for k, piece in enumerate(wardrobe.everything)}
    pairs = np.pad(wearable_pairs(known), (0, 1), constant_values=True)
    wanted = question_of(asked)
    here = [place[piece.id] for piece in now.pieces]
    may = {
        k: why_left_out(known[k], wanted)
        for k, piece in enumerate(wardrobe.everything)
        if piece.id not in now.barred or piece.id in now.ids
    }
    stays = [
        k
        for k in here
        if zone_of(known[k].category) not in swapped and (swapped != SWAPPED or may[k] is None or _is_body(known[k]))
    ]
    options = []
    for zone in swapped:
        own = [k for k in here if zone_of(known[k].category) is zone]
        others = [k for k, why in may.items() if why is None and zone_of(known[k].category) is zone and k not in here]
        some = [k for k in own if may[k] is None] + others
        options.append([NOTHING, *some] if zone is Zone.LAYER else some or own or [NOTHING])
    bags = [k for k in stays if zone_of(known[k].category) is Zone.HAND and known[k].category is Category.BAG]
    rest = [k for k in stays if k not in bags]
    others = [k for k, why in may.items() if why is None and known[k].category is Category.BAG and k not in bags]
    carried = others[:BAGS] if swapped == SWAPPED else []
    rows = np.array([[*rest, *row] for row in product(*options, [*bags, *carried] or [NOTHING])], dtype=np.intp)
    rows = _worn(rows, pairs, here, first, wardrobe)
    day = DayTable(known, wanted)
    suits = day.suits(rows, bool(asked.warmth is not None and any(k != NOTHING for k in options[0])))
    rows = rows[suits] if suits.any() else rows
    wholes = score_batch(wardrobe.batch(rows, first.intent, first.meant)).overall
    changes = np.array([len(set(row.tolist()) - {NOTHING} ^ set(here)) for row in rows])
    # a layer on a warm stage, or none on a cold one, is what the stage is there to change
    away = A_STEP_AWAY * day.away(rows) + A_STEP_AWAY * day.spare_layers(rows) / 6
    best = int(np.argmax(wholes - EACH_CHANGE * changes - away))
    worn = tuple(wardrobe.everything[int(k)] for k in rows[best] if k != NOTHING)
    left = tuple(piece for piece in wardrobe.pieces if piece.id not in {p.id for p in worn})
    # what is under a layer is warm enough for any cold
    covered = any(zone_of(p.category) is Zone.LAYER for p in worn)
    asks = replace(wanted, warmth=None) if covered and _lacks_layer(asked) else wanted
    amiss = [f"{p.in_a_sentence} {why}" for p in worn if (why := why_left_out(known[place[p.id]], asks))]
    if not suits.any():
        amiss.append("no layer suits it" if _lacks_layer(asked) else "nothing makes it as formal as is asked")
    return Stage(asked.when, replace(now, pieces=worn, rail=left), round(float(wholes[best]), DIGITS), tuple(amiss))


def _is_body(piece: Piece) -> bool:
    return zone_of(piece.category) in (Zone.UPPER, Zone.LOWER, Zone.WHOLE)


def _lacks_layer(asked: DayStage) -> bool:
    return asked.warmth is not None and asked.warmth >= LAYER_FROM


def _worn(rows: IntArray, pairs: BoolArray, here: list[int], first: Look, wardrobe: Wardrobe) -> IntArray:
    """The looks that can be worn and part no set; what was there already may go together as the stylist had it."""
    old = np.zeros(len(pairs), dtype=bool)
    old[here] = True
    able = np.ones(len(rows), dtype=bool)
    for one in range(rows.shape[1]):
        for other in range(one):
            a, b = rows[:, one], rows[:, other]
            able &= pairs[a, b] | (old[a] & old[b])
    parted = is_split(first.ids, first.sets)
    on = {piece.id for piece in first.always}
    for k in np.flatnonzero(able) if first.sets and not parted else ():
        ids = {wardrobe.everything[int(p)].id for p in rows[k] if p != NOTHING} | on
        able[k] = not is_split(ids, first.sets)
    if able.any():
        return rows[able]
    return np.array([here], dtype=np.intp)
