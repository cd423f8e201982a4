"""So many looks from a rail: whole, different, repeatable, and what is said where there are fewer."""

from collections import Counter
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.look import Intent
from lucid_swatch.core.look.making.apart import set_apart
from lucid_swatch.core.look.making.lacking import need_of, needs, why_fewer
from lucid_swatch.core.look.making.make import Stopped, make_looks
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.look.making.ways import many_ways, roles
from lucid_swatch.core.look.theme import Theme, carried
from lucid_swatch.core.look.verdict import judge
from tests.strategies import pieces

from .rails import NAVY, RAIL, TAN, WINE, clothes, faults, piece, rail


@st.composite
def questions(draw):
    low = draw(st.integers(1, 4))
    return Wanted(
        draw(st.integers(1, 12)),
        formality=draw(st.none() | st.just((float(low), float(low + 1)))),
        warmth=draw(st.none() | st.floats(0, 4)),
        wet=draw(st.booleans()),
        time=draw(st.sampled_from(TimeOfDay)),
        intent=draw(st.none() | st.sampled_from(Intent)),
        seed=draw(st.integers(0, 3)),
    )


@st.composite
def wardrobes(draw):
    hung = [draw(pieces(id=f"piece {k}")) for k in range(draw(st.integers(0, 14)))]
    ids = [p.id for p in hung]
    some = st.lists(st.sampled_from(ids), max_size=3, unique=True) if ids else st.just([])
    always = [p for p in hung if p.category in (Category.EYEWEAR, Category.RING)][:1]
    return Wardrobe(
        tuple(hung),
        always=tuple(always),
        barred=dict.fromkeys(draw(some), "does not fit"),
        sets=tuple(frozenset(one) for one in [draw(some)] if len(one) > 1),
    )


@given(wardrobes(), questions())
@settings(max_examples=60, deadline=None)
def test_every_look_is_whole_good_and_as_the_scorer_finds_it(wardrobe, wanted):
    made = make_looks(wardrobe, wanted)
    looks = [wardrobe.look(str(k), one.piece_ids, wanted.intent) for k, one in enumerate(made.looks)]
    for one, verdict in zip(made.looks, judge(looks) if looks else [], strict=True):
        assert not faults(wardrobe, wanted, one.piece_ids)
        assert verdict.overall == one.whole >= GOOD
    dressed = [clothes(wardrobe, one.piece_ids) for one in made.looks]
    assert len(set(dressed)) == len(dressed) <= wanted.number
    lack = why_fewer(wardrobe, wanted, made)
    assert (lack is None) == (len(made.looks) == wanted.number)


def test_the_same_question_has_the_same_answer_and_another_seed_another():
    first, again, *others = (make_looks(rail(), Wanted(8, seed=seed)).looks for seed in (0, 0, 1, 2, 3))
    assert first == again
    assert any({one.piece_ids for one in other} != {one.piece_ids for one in first} for other in others)
    assert [one.whole for one in first] == sorted((one.whole for one in first), reverse=True)


@pytest.mark.parametrize("share", Share)
def test_looks_start_from_what_they_are_to_start_from(share):
    start = ("navy trousers", "grey skirt", "tan skirt") if share is not Share.ALL else ("grey skirt", "tan bag")
    made = make_looks(rail(), Wanted(9, start, share))
    held = [set(start) & set(one.piece_ids) for one in made.looks]
    if share is Share.ALL:
        assert all(one == set(start) for one in held)
    else:
        assert all(len(one) == 1 for one in held)
    if share is Share.EVEN:
        counts = Counter(id for one in held for id in one)
        assert max(counts.values()) - min(counts.values()) <= 1


def test_what_stays_stays_and_what_was_dropped_does_not_come_again():
    first = make_looks(rail(), Wanted(6)).looks
    kept, dropped = first[0].piece_ids, first[1].piece_ids
    again = make_looks(rail(), Wanted(6, kept=(kept,), dropped=(dropped,))).looks
    assert set(kept) in [set(one.piece_ids) for one in again]
    assert clothes(rail(), dropped) not in [clothes(rail(), one.piece_ids) for one in again]
    assert len(again) == 6


def test_the_spares_come_next_and_are_none_of_the_set():
    made = make_looks(rail(), Wanted(6))
    there = {clothes(rail(), one.piece_ids) for one in made.looks}
    assert made.spares
    assert not there & {clothes(rail(), one.piece_ids) for one in made.spares}


def test_every_garment_is_used_and_none_is_worn_thin():
    made = make_looks(rail(), Wanted(20))
    uses = Counter(id for one in made.looks for id in clothes(rail(), one.piece_ids))
    assert set(uses) == {p.id for p in RAIL if zone_of(p.category).value in ("upper", "lower", "whole", "layer")}
    assert max(uses.values()) < 20


def test_a_set_comes_whole_and_a_tie_with_a_collar_only():
    sets = (frozenset({"tan shoes", "tan bag"}), frozenset({"navy top", "grey knit"}))
    made = make_looks(rail(sets=sets), Wanted(16))
    for one in made.looks:
        assert all(not set(one.piece_ids) & own or own <= set(one.piece_ids) for own in sets)
        assert "navy tie" not in one.piece_ids or "cream shirt" in one.piece_ids
    assert sum(sets[0] <= set(one.piece_ids) for one in made.looks) > 1
    assert any(sets[1] <= set(one.piece_ids) for one in made.looks)


def test_a_theme_is_carried_further_when_it_is_asked_for():
    theme = Theme("wine", (tuple(map(float, WINE)),))

    def share(wanted):
        looks = [rail().look("x", one.piece_ids) for one in make_looks(rail(), wanted).looks]
        return np.mean([carried(look.worn, theme).share for look in looks])

    assert share(Wanted(5, theme=theme)) > share(Wanted(5)) + 0.1


def test_making_can_be_stopped():
    with pytest.raises(Stopped):
        make_looks(rail(), Wanted(6), lambda share, looks: False)


@pytest.mark.parametrize(
    ("wardrobe", "wanted", "said"),
    [
        (Wardrobe(()), Wanted(3), "Nothing hangs on the rail yet"),
        (Wardrobe(tuple(p for p in RAIL if "shoes" not in p.id)), Wanted(3), "lacks a pair of shoes"),
        (Wardrobe(RAIL[:1]), Wanted(3), "lacks trousers, a skirt or a dress"),
        (rail(barred={p.id: "the client will not wear it" for p in RAIL}), Wanted(3), "the client will not wear it"),
        (rail(barred={"tan skirt": "does not fit"}), Wanted(3, ("tan skirt",)), "tan skirt (does not fit)"),
        (rail(), Wanted(3, ("tan skirt", "navy dress"), Share.ALL), "cannot be worn at once"),
        (rail(), Wanted(3, ("lost hat",)), "lost hat does not hang on this rail"),
        (rail(), Wanted(500), "of the 500 looks asked for"),
        (rail(), Wanted(6, formality=(5, 5)), "No look"),
    ],
    ids=["empty", "no shoes", "one piece", "refused", "left out", "not at once", "not there", "too many", "black tie"],
)
def test_where_there_are_fewer_it_says_why(wardrobe, wanted, said):
    made = make_looks(wardrobe, wanted)
    assert len(made.looks) < wanted.number
    assert said in why_fewer(wardrobe, wanted, made).text


def test_a_rail_of_one_colour_still_makes_whole_looks():
    navy = Wardrobe(tuple(replace(p, lab=np.array([NAVY], float)) for p in RAIL))
    made = make_looks(navy, Wanted(4))
    assert made.looks
    assert not any(faults(navy, Wanted(4), one.piece_ids) for one in made.looks)


def test_the_change_that_is_named_gives_what_it_says():
    few = [p for p in RAIL if p.id in {"cream shirt", "navy top", "navy trousers", "tan skirt", "tan shoes", "tan bag"}]
    barred = {"navy top": "is at the mender's", "tan skirt": "is at the mender's"}
    wardrobe, wanted = Wardrobe(tuple(few), barred=barred), Wanted(6)
    made = make_looks(wardrobe, wanted)
    lack = why_fewer(wardrobe, wanted, made)
    assert "again (is at the mender's)" in lack.text
    back = make_looks(replace(wardrobe, barred={}), wanted)
    assert len(back.looks) - len(made.looks) == lack.more > 0


def test_an_unused_piece_says_what_it_would_need():
    lime = piece("lime top", "top", [85, -45, 75])
    few = (lime, piece("wine skirt", "skirt", WINE), piece("tan shoes", "shoes", TAN))
    wardrobe = Wardrobe((*few, piece("navy top", "top", NAVY)))
    need = need_of(wardrobe, Wanted(4), lime)
    assert need.good == 0
    assert need.opening is not None
    assert f"would bring it into {need.opening.opens}" in need.text
    made = make_looks(rail(), Wanted(2, ("grey skirt",)))
    assert "tan skirt" not in {one.piece for one in needs(rail(), Wanted(2, ("grey skirt",)), made)}


def test_each_look_says_what_sets_it_apart():
    made = make_looks(rail(), Wanted(8))
    looks = [rail().look(str(k), one.piece_ids) for k, one in enumerate(made.looks)]
    said = set_apart(looks, judge(looks))
    assert all(one[0].isupper() and one.endswith(".") for one in said)
    for look, sentence in zip(looks, said, strict=True):
        if "The only one with the" in sentence:
            named = sentence.split("with the ")[1].split(";")[0].rstrip(".").split(" and the ")[0]
            holders = [one for one in looks if named in {p.id for p in one.pieces}]
            assert holders == [look]


def test_one_piece_goes_many_ways():
    ways = many_ways(rail(), "grey knit", 8)
    assert len(ways) == 8
    assert len({way.occasion for way in ways}) > 1
    assert all("grey knit" in way.made.piece_ids for way in ways)
    dressed = [clothes(rail(), way.made.piece_ids) for way in ways]
    assert len(set(dressed)) == len(dressed)
    looks = [rail().look(str(k), way.made.piece_ids) for k, way in enumerate(ways)]
    assert set(roles(looks, judge(looks), "grey knit")) <= {
        "the quiet base", "the one voice", "part of the tone", "a colour that comes back", "one of several voices",
    }  # fmt: skip


def test_a_question_that_makes_no_sense_is_refused():
    for wrong in ({"number": 0}, {"number": 501}, {"number": 1, "formality": (3, 2)}, {"number": 1, "warmth": 5.0}):
        with pytest.raises(ValueError, match=r"\w"):
            Wanted(**wrong)


def test_a_long_rail_is_made_from_a_part_of_it(monkeypatch):
    monkeypatch.setattr("lucid_swatch.core.look.making.material.MOST_PIECES", 12)
    monkeypatch.setattr("lucid_swatch.core.look.making.bases.ALL_UP_TO", 8)
    made = make_looks(rail(), Wanted(3, ("tan skirt",)))
    assert made.looks
    assert all("tan skirt" in one.piece_ids and not faults(rail(), Wanted(3), one.piece_ids) for one in made.looks)
