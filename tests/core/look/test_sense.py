"""Beside colour: proportion, sense, refusals, and what keeps a look from more."""

import numpy as np
import pytest

from lucid_swatch.core.client.about import Refusals, why_refused
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish, Length, Metal, PatternType, Volume, Worn
from lucid_swatch.core.look.dressing.considered import consider
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.remarks.held_back import held_back
from lucid_swatch.core.look.remarks.sense import Circumstances, sense_notes
from lucid_swatch.core.look.scorer.weights import sentence_of, standard_weights
from lucid_swatch.core.look.verdict import judge

NAVY, CREAM, TAN, BLACK, WHITE = [21, 4, -21], [90, 1, 13], [58, 14, 28], [14, 0, 0], [95, 0, 1]


def piece(category, lab=NAVY, id=None, **values):
    told = {"finish": frozenset({Finish.MATTE})} | values
    return Piece(
        id or category.value, category, np.array([lab], float), np.ones(1), label=f"the {category.value}", **told
    )


def codes(*pieces, day=Circumstances()):  # noqa: B008
    return [note.code for note in sense_notes(pieces, day)]


SHOES = piece(C.SHOES)
BASE = (piece(C.KNIT), piece(C.TROUSERS), SHOES)


def test_a_plain_whole_look_gives_nothing_to_think_of():
    assert codes(*BASE) == []
    assert codes(piece(C.DRESS), SHOES) == []


@pytest.mark.parametrize(
    ("pieces", "code"),
    [
        ((piece(C.KNIT),), "unfinished"),
        ((piece(C.TROUSERS), SHOES), "unfinished"),
        ((piece(C.KNIT), piece(C.TROUSERS)), "barefoot"),
        ((*BASE, piece(C.BOOTS)), "two-pairs"),
        ((piece(C.JUMPSUIT), piece(C.TROUSERS), SHOES), "doubled"),
        (
            (piece(C.KNIT, volume=Volume.FULL), piece(C.TROUSERS, volume=Volume.FULL, length=Length.FLOOR), SHOES),
            "full-with-full",
        ),
        ((*BASE, piece(C.JACKET, length=Length.HIP), piece(C.COAT, length=Length.HIP)), "coat-too-short"),
        ((piece(C.DRESS, length=Length.MIDI), SHOES, piece(C.COAT, length=Length.KNEE)), "hem-peeps"),
        ((*BASE, piece(C.BELT, TAN)), "line-cut"),
        ((piece(C.DRESS, CREAM), piece(C.SHOES, BLACK)), "dark-shoe"),
        ((piece(C.KNIT, formality=2), piece(C.TROUSERS, formality=5), SHOES), "formality"),
        ((piece(C.KNIT, warmth=4), piece(C.TROUSERS, warmth=0), SHOES), "warmth"),
        ((piece(C.SHIRT, finish=(Finish.SHEER,)), piece(C.TROUSERS), SHOES), "sheer"),
        ((piece(C.KNIT), piece(C.SKIRT, WHITE), SHOES), "white"),
        ((*BASE, piece(C.NECKLACE, statement=0.9), piece(C.EARRINGS)), "necklace-and-earrings"),
    ],
)
def test_what_there_is_to_think_of(pieces, code):
    assert code in codes(*pieces)


def test_full_with_full_is_answered_by_a_belt_a_tuck_or_a_bare_ankle():
    full = piece(C.TROUSERS, volume=Volume.FULL, length=Length.FLOOR)
    knit = piece(C.KNIT, volume=Volume.FULL)
    assert "full-with-full" not in codes(knit, full, SHOES, piece(C.BELT))
    assert "full-with-full" not in codes(piece(C.KNIT, volume=Volume.FULL, worn=Worn.TUCKED), full, SHOES)
    assert "full-with-full" not in codes(knit, piece(C.TROUSERS, volume=Volume.FULL, length=Length.ANKLE), SHOES)


def test_suede_counts_when_it_rains_and_the_client_comes_first():
    suede = piece(C.BOOTS, finish=(Finish.SUEDE,))
    assert codes(piece(C.DRESS), suede) == []
    assert codes(piece(C.DRESS), suede, day=Circumstances(rain=True)) == ["suede-in-rain"]
    day = Circumstances(refused={"dress": "sheer cloth"}, irritants={"boots": "nickel"})
    notes = sense_notes((piece(C.DRESS), suede), day)
    assert [note.code for note in notes] == ["refused", "irritates"]
    assert "sheer cloth" in notes[0].text
    assert notes[0].key == "refused dress"


@pytest.mark.parametrize(
    ("refusals", "why"),
    [
        (Refusals(lengths=(Length.CROPPED,)), "cropped length"),
        (Refusals(sheer=True), "sheer cloth"),
        (Refusals(materials=(Finish.SHEER,)), "sheer"),
        (Refusals(patterns=(PatternType.ANIMAL,)), "animal pattern"),
        (Refusals(metals=(Metal.GOLD,)), "gold metal"),
        (Refusals(colours=("navy",)), "the colour navy"),
        (Refusals(colours=("neon", "dark blue")), None),
        (Refusals(), None),
    ],
)
def test_why_a_client_will_not_wear_a_piece(refusals, why):
    one = piece(
        C.TOP, length=Length.CROPPED, finish=frozenset({Finish.SHEER}), pattern=PatternType.ANIMAL, metal=Metal.GOLD
    )
    assert why_refused(one, ("navy animal with black", "navy", "the top"), refusals) == why


def test_no_mend_brings_what_is_barred_and_everything_still_shows_its_effect():
    look = Look(
        "look",
        (piece(C.KNIT, CREAM), piece(C.TROUSERS, TAN), piece(C.SHOES, BLACK)),
        rail=(piece(C.BOOTS, TAN, "tan boots"),),
    )
    free = consider(look)
    assert any("tan boots" in (mend.piece, mend.with_piece) for mend in free.mends)
    barred = consider(Look("look", look.pieces, rail=look.rail, barred=frozenset({"tan boots"})))
    assert not any("tan boots" in (mend.piece, mend.with_piece) for mend in barred.mends)
    assert barred.effects["tan boots"] == free.effects["tan boots"]


def test_what_holds_a_look_back_is_what_its_reasons_cost_the_whole():
    look = Look("look", (piece(C.KNIT, CREAM), piece(C.TROUSERS, [60, 0, -4]), piece(C.SHOES, BLACK)))
    verdict, weights = judge([look])[0], standard_weights()
    found = held_back(verdict, weights, None, {name: sentence_of(name) for name in weights.points})
    lost = [one for one in found if one.lost]
    crossing = next(r for r in verdict.measures["harmony"].because if r.code == "temperature-crosses")
    share = weights.parts[None][0] / sum(weights.parts[None][:4])
    assert (
        lost[0].costs == pytest.approx(-crossing.points * share, abs=0.06) or lost[0].costs > -crossing.points * share
    )
    assert [one.costs for one in lost] == sorted((one.costs for one in lost), reverse=True)
    assert all(one.costs > 0 for one in found)
