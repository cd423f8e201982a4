"""What a rail can do: its good looks counted, its partners and its fights."""

import numpy as np
import pytest

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, PatternType, Scale
from lucid_swatch.core.look.dressing import around, long_rail
from lucid_swatch.core.look.dressing.considered import consider
from lucid_swatch.core.look.dressing.long_rail import LongRail
from lucid_swatch.core.look.dressing.outfits import GOOD, Counter
from lucid_swatch.core.look.dressing.partners import partners
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.look import Conventions, Look
from lucid_swatch.core.look.verdict import judge, score_batch

NAVY, CREAM, TAN, RED, LIME = [21, 4, -22], [89, 2, 16], [57, 15, 29], [44, 60, 36], [80, -40, 70]


def piece(id, category, lab, **values):
    return Piece(id, category, np.array([lab], float), np.ones(1), label=id, **values)


RAIL = [
    piece("cream top", Category.TOP, CREAM),
    piece("lime top", Category.TOP, LIME),
    piece("navy trousers", Category.TROUSERS, NAVY),
    piece("red skirt", Category.SKIRT, RED),
    piece("navy dress", Category.DRESS, NAVY),
    piece("tan shoes", Category.SHOES, TAN),
    piece("navy coat", Category.COAT, NAVY),
    piece("tan bag", Category.BAG, TAN),
]


def test_every_base_look_is_counted_as_the_scorer_judges_it():
    by_name = {p.id: p for p in RAIL}
    halves = [(t, low) for t in ("cream top", "lime top") for low in ("navy trousers", "red skirt")] + [("navy dress",)]
    looks = [(*half, "tan shoes", *layer) for half in halves for layer in ((), ("navy coat",))]
    good = [
        look
        for look, v in zip(looks, judge([Look("x", tuple(by_name[n] for n in look)) for look in looks]), strict=True)
        if v.overall >= GOOD
    ]
    found = Counter(Wardrobe(tuple(RAIL))).outfits()
    assert (found.looks, found.good, found.drawn) == (10, len(good), False)
    for name in ("cream top", "lime top", "navy trousers", "navy dress", "navy coat"):
        assert found.each[name] == sum(name in look for look in good)
    assert 0 <= found.each["tan bag"] <= found.good


def test_a_large_rail_is_drawn_from_and_told_so():
    exact = Counter(Wardrobe(tuple(RAIL))).outfits()
    many = [piece(f"{p.id} {k}", p.category, p.lab[0]) for p in RAIL for k in range(4)]
    whole = Counter(Wardrobe(tuple(many))).outfits()
    drawn = Counter(Wardrobe(tuple(many)), most=250).outfits()
    assert not whole.drawn
    assert drawn.drawn
    assert drawn.looks == whole.looks > exact.looks
    assert drawn.good == pytest.approx(whole.good, rel=0.25)


def test_a_rail_too_long_for_one_table_is_counted_by_groups(monkeypatch):
    many = [piece(f"{p.id} {k}", p.category, p.lab[0] + [k / 2, 0, 0]) for p in RAIL for k in range(6)]
    whole = Counter(Wardrobe(tuple(many)), most=100_000)
    monkeypatch.setattr(long_rail, "GROUP", len(many) // 3 + 1)
    grouped = LongRail(Wardrobe(tuple(many)))
    exact, about = whole.outfits(), grouped.outfits()
    assert len(grouped.groups) > 2
    assert about.drawn
    assert about.looks == exact.looks
    assert about.good == pytest.approx(exact.good, rel=0.2)
    assert set(about.each) == set(exact.each)
    assert np.corrcoef([about.each[id] for id in exact.each], list(exact.each.values()))[0, 1] > 0.9


def test_parts_of_a_long_rail_say_what_one_table_says(monkeypatch):
    many = [piece(f"{p.id} {k}", p.category, p.lab[0] + [k, 0, 0]) for p in RAIL for k in range(4)]
    look = Look("look", (many[0], many[-1]), None, Conventions(), None, tuple(many[1:-1]))
    one, some = consider(look), partners(many[0], Wardrobe(tuple(many)), 5)
    monkeypatch.setattr(around, "PIECES_AT_ONCE", 10)
    monkeypatch.setattr(around, "PART", 7)
    parts = consider(look)
    assert parts.effects == one.effects
    assert [(m.text, m.gain, m.rises) for m in parts.mends] == [(m.text, m.gain, m.rises) for m in one.mends]
    assert partners(many[0], Wardrobe(tuple(many)), 5) == some


def test_looks_and_pairs_are_counted_by_the_studios_own_taste():
    own = Conventions(tastes=(("temperature-agrees", 3.0), ("echo", 3.0)))
    plain, moved = (
        [p.score for p in partners(RAIL[5], Wardrobe(tuple(RAIL), conventions=c), 3)[0]] for c in (Conventions(), own)
    )
    assert plain != moved
    gentle = Conventions(tastes=(("brown-with-blue", 0.1),))
    assert (
        Counter(Wardrobe(tuple(RAIL), conventions=gentle)).outfits().good
        < Counter(Wardrobe(tuple(RAIL))).outfits().good
    )


def test_a_rail_without_a_look_has_none():
    found = Counter(Wardrobe(tuple([RAIL[0], RAIL[-1]]))).outfits()
    assert (found.looks, found.good) == (0, 0)
    assert set(found.each.values()) == {0}


def test_what_cannot_be_worn_at_once_is_no_partner():
    skirt = RAIL[3]
    some = partners(skirt, Wardrobe(tuple(RAIL)), len(RAIL))
    assert {p.piece.id for p in (*some[0], *some[1])} == {"cream top", "lime top", "tan shoes", "navy coat", "tan bag"}


def test_what_is_barred_is_no_partner_and_in_no_good_look():
    barred = Wardrobe(tuple(RAIL), barred={"cream top": "does not fit"})
    assert "cream top" not in {p.piece.id for some in partners(RAIL[3], barred, 9) for p in some}
    assert Counter(barred).outfits().looks < Counter(Wardrobe(tuple(RAIL))).outfits().looks
    assert "cream top" not in Counter(barred).outfits().each


def test_what_is_always_on_joins_every_look_and_a_set_is_never_parted():
    ring = piece("ring", Category.RING, TAN)
    worn = Wardrobe((*RAIL, ring), always=(ring,))
    rows = np.array([[worn.pieces.index(RAIL[0]), worn.pieces.index(RAIL[2])]])
    table, batch = worn.table, worn.batch(rows)
    assert {table.pieces[k].id for k in batch.rows[:, 0]} == {"cream top", "navy trousers", "ring"}
    found = Counter(worn).outfits()
    assert found.each["ring"] == found.good
    suit = Wardrobe(tuple(RAIL), sets=(frozenset({"navy trousers", "navy coat"}),))
    # trousers only with the coat, and the coat only with the trousers
    assert Counter(suit).outfits().looks == 2 + 2 + 1


def test_a_batch_of_rows_says_what_looks_of_pieces_say():
    worn = Wardrobe(tuple(RAIL))
    names = ("cream top", "red skirt", "tan shoes")
    rows = np.array([[[p.id for p in worn.pieces].index(name) for name in names]])
    assert score_batch(worn.batch(rows)).overall[0] == judge([worn.look("x", names)])[0].overall


def test_partners_are_the_best_scored_and_fights_the_worst_each_with_a_reason():
    leopard, zebra = (
        Piece(
            name,
            category,
            np.array([ground, [15, 0, 0]], float),
            np.array([0.6, 0.4]),
            label=name,
            pattern=PatternType.ANIMAL,
            scale=scale,
        )
        for name, category, ground, scale in (
            ("leopard", Category.SCARF, TAN, Scale.MEDIUM),
            ("zebra", Category.TOP, [95, 0, 1], Scale.LARGE),
        )
    )
    best, worst = partners(leopard, Wardrobe((*RAIL, zebra)), 3)
    assert {p.piece.id for p in best[:2]} == {"tan shoes", "tan bag"}
    assert "zebra" in {p.piece.id for p in worst}
    assert set(p.piece.id for p in best).isdisjoint(p.piece.id for p in worst)
    assert all(p.because is not None and p.because.points < 0 for p in worst)
    assert [p.score for p in best] == sorted((p.score for p in best), reverse=True)
    assert partners(leopard, Wardrobe((leopard,)), 3) == ([], [])
