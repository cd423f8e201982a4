"""Colours as places: what clusters, what stands alone, where nothing hangs."""

import numpy as np

from lucid_swatch.core.client.suits import cloth_colours
from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.garment.colour_map import ALONE, EMPTY, MOST, colour_map

BLACKS = [[15, 0, 0], [18, 0, -2], [16, 1, 0], [19, -1, 1]]
CREAMS = [[90, 1, 10], [88, 2, 12], [92, 0, 9]]
LIME = [82, -40, 72]


def test_crowds_are_found_and_named_and_what_is_far_from_all_stands_alone():
    lab = np.array([*BLACKS, LIME, *CREAMS], float)
    found = colour_map(lab, np.zeros((0, 3)))
    assert [sorted(one.members) for one in found.clusters] == [[0, 1, 2, 3], [5, 6, 7]]
    assert found.clusters[0].name == "black"
    assert found.alone == (4,)
    nearest = np.sort(pairwise_delta_e_2000(lab[4:5], lab)[0])[1]
    assert nearest >= ALONE
    assert found.empty == ()


def test_where_nothing_hangs_is_told_within_what_the_client_may_wear():
    wanted = cloth_colours()[::5]
    lab = np.array(BLACKS, float)
    found = colour_map(lab, wanted)
    assert len(found.empty) == 3
    for one in found.empty:
        assert one.away >= EMPTY
        assert pairwise_delta_e_2000(one.lab[None], wanted).min() == 0
    between = pairwise_delta_e_2000(*(np.array([one.lab for one in found.empty]),) * 2)
    assert between[~np.eye(3, dtype=bool)].min() >= EMPTY
    assert colour_map(wanted, wanted).empty == ()


def test_an_empty_rail_and_a_very_long_one_have_no_crowds():
    assert colour_map(np.zeros((0, 3)), np.array([[50.0, 0, 0]])).empty[0].name == "pewter"
    long = colour_map(np.full((MOST + 1, 3), 50.0), np.zeros((0, 3)))
    assert (long.clusters, long.alone, long.empty) == ((), (), ())
    assert colour_map(np.array([[50.0, 0, 0]]), np.zeros((0, 3))).alone == ()
