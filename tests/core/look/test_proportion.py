"""The client's wishes for proportion, held against what is known of a cut."""

from dataclasses import replace

import pytest

from lucid_swatch.core.client.about import About, Refusals, why_refused
from lucid_swatch.core.client.wishes import Bare, Longer, Place, Stature, Wishes
from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Heel, Length, Neckline, Scale, Sleeve, Volume, Worn
from lucid_swatch.core.look.remarks.sense import Circumstances, sense_notes
from tests.core.look.test_sense import piece

SHOES = piece(C.SHOES)
FULL_SKIRT = piece(C.SKIRT, volume=Volume.FULL, length=Length.MIDI)
CLOSE_TOP = piece(C.TOP, volume=Volume.CLOSE, length=Length.HIP, details=Details(sleeve=Sleeve.SHORT))
SHIRT = piece(C.SHIRT, length=Length.HIP, details=Details(sleeve=Sleeve.LONG, neckline=Neckline.COLLAR))


def codes(*pieces, **wishes):
    return [note.code for note in sense_notes(pieces, Circumstances(wishes=Wishes(**wishes)))]


def test_without_wishes_nothing_is_said_of_proportion():
    assert codes(CLOSE_TOP, FULL_SKIRT, SHOES) == []


@pytest.mark.parametrize(
    ("pieces", "wishes", "code"),
    [
        ((CLOSE_TOP, FULL_SKIRT), {"not_full": (Place.HIP,)}, "full-unwelcome"),
        ((CLOSE_TOP, FULL_SKIRT), {"full": (Place.SHOULDER,)}, "full-missing"),
        ((SHIRT, FULL_SKIRT), {"longer": Longer.LEG}, "leg-shorter"),
        ((replace(SHIRT, worn=Worn.TUCKED), FULL_SKIRT), {"longer": Longer.BODY}, "body-shorter"),
        ((CLOSE_TOP, FULL_SKIRT), {"covered": (Bare.ARMS,)}, "bare-unwished"),
        ((piece(C.DRESS, length=Length.MIDI),), {"covered": (Bare.ANKLES,)}, "bare-unwished"),
        ((SHIRT, FULL_SKIRT), {"shown": (Bare.KNEES,)}, "covered-unwished"),
        ((piece(C.DRESS, scale=Scale.LARGE),), {"stature": Stature.PETITE}, "large-on-petite"),
        ((SHIRT, piece(C.TROUSERS, length=Length.MIDI)), {"stature": Stature.TALL}, "short-on-tall"),
    ],
)
def test_what_goes_against_a_wish_is_noted(pieces, wishes, code):
    assert codes(*pieces, SHOES, **wishes) == [code]


@pytest.mark.parametrize(
    ("pieces", "wishes"),
    [
        ((CLOSE_TOP, FULL_SKIRT), {"not_full": (Place.SHOULDER,)}),
        ((replace(SHIRT, worn=Worn.TUCKED), FULL_SKIRT), {"longer": Longer.LEG}),
        ((CLOSE_TOP, FULL_SKIRT, piece(C.KNIT)), {"covered": (Bare.ARMS,)}),
        ((CLOSE_TOP, FULL_SKIRT), {"shown": (Bare.ARMS, Bare.ANKLES)}),
        ((piece(C.TOP), piece(C.SKIRT)), {"covered": tuple(Bare), "not_full": tuple(Place), "longer": Longer.LEG}),
    ],
)
def test_what_agrees_or_is_not_known_is_not_noted(pieces, wishes):
    assert codes(*pieces, SHOES, **wishes) == []


def test_a_heel_that_is_known_is_held_against_the_highest_that_is_worn():
    high, flat = (piece(C.SHOES, details=Details(heel=heel)) for heel in (Heel.HIGH, Heel.FLAT))
    refusals = Refusals(heel=4.0)
    assert why_refused(high, (), refusals) == "a heel of some 7 cm"
    assert why_refused(flat, (), refusals) is None
    assert why_refused(SHOES, (), refusals) is None


def test_nobody_has_wishes_until_they_are_said():
    assert About().wishes == Wishes()
