"""The colours of a rail as places: what clusters, what stands alone, and where nothing hangs."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.difference import pairwise_delta_e_2000
from ..colour.names import name_colours
from .neutrals import neutrality

TOGETHER, CROWD = 11.0, 3
"""CIEDE2000 in the mean between pieces of one cluster, and how many make one."""
ALONE = 14.0
"""CIEDE2000 to the nearest other piece from which one stands alone."""
EMPTY = 16.0
"""CIEDE2000 from the nearest piece from which a colour is one that nothing hangs in."""
PLACES, PLACES_APART = 3, 22.0
"""Empty places that are named, and CIEDE2000 between them at least."""
MOST = 1500
"""Pieces that are grouped; what is known of pairs grows with the square of them."""


@dataclass(frozen=True, slots=True)
class Cluster:
    """Pieces of nearly one colour."""

    members: tuple[int, ...]
    """Their places, the most in the middle first."""
    name: str
    """What the colour in their middle is called."""


@dataclass(frozen=True, slots=True, eq=False)
class EmptyPlace:
    """A colour in which nothing hangs."""

    lab: FloatArray
    """(3,)."""
    name: str
    away: float
    """CIEDE2000 to the nearest piece."""


@dataclass(frozen=True, slots=True)
class ColourMap:
    """What the places of some colours tell."""

    clusters: tuple[Cluster, ...]
    """The largest first."""
    alone: tuple[int, ...]
    """The loneliest first."""
    empty: tuple[EmptyPlace, ...]


def colour_map(lab: FloatArray, wanted: FloatArray) -> ColourMap:
    """What the main colours of some pieces tell. lab: (n, 3). wanted: (m, 3), the colours that the client may wear.

    Source: average linkage, Sokal and Michener 1958; the farthest first, Gonzalez 1985."""
    if not len(lab):
        return ColourMap((), (), _empty(lab, wanted))
    if len(lab) > MOST:
        return ColourMap((), (), _empty(lab, wanted))
    away = pairwise_delta_e_2000(lab, lab)
    return ColourMap(_clusters(lab, away), _alone(away), _empty(lab, wanted))


def _clusters(lab: FloatArray, away: FloatArray) -> tuple[Cluster, ...]:
    if len(lab) < CROWD:
        return ()
    # a first screen does not wait for it
    from scipy.cluster.hierarchy import fcluster, linkage
    from scipy.spatial.distance import squareform

    tree = linkage(squareform((away + away.T) / 2, checks=False), "average")
    labels = fcluster(tree, TOGETHER, "distance")
    found = []
    for label in np.unique(labels):
        members = np.flatnonzero(labels == label)
        if len(members) >= CROWD:
            inner = away[np.ix_(members, members)].mean(axis=1)
            ordered = members[np.argsort(inner, kind="stable")]
            found.append(Cluster(tuple(ordered.tolist()), _called(lab[ordered[:1]])[0]))
    return tuple(sorted(found, key=lambda one: -len(one.members)))


def _alone(away: FloatArray) -> tuple[int, ...]:
    if len(away) < 2:
        return ()
    nearest = np.where(np.eye(len(away), dtype=bool), np.inf, away).min(axis=1)
    lonely = np.flatnonzero(nearest >= ALONE)
    return tuple(lonely[np.argsort(-nearest[lonely], kind="stable")].tolist())


def _empty(lab: FloatArray, wanted: FloatArray) -> tuple[EmptyPlace, ...]:
    if not len(wanted):
        return ()
    away = pairwise_delta_e_2000(wanted, lab).min(axis=1) if len(lab) else np.full(len(wanted), 100.0)
    between = pairwise_delta_e_2000(wanted, wanted)
    # the middle of what is empty, and not its far rim
    room = np.where(away >= EMPTY, (between < EMPTY).sum(axis=1) * away, 0.0)
    found = []
    for _ in range(PLACES):
        place = int(room.argmax())
        if room[place] <= 0:
            break
        found.append(EmptyPlace(wanted[place], _called(wanted[place][None])[0], round(float(away[place]), 1)))
        room[between[place] < PLACES_APART] = 0.0
    return tuple(found)


def _called(lab: FloatArray) -> list[str]:
    return name_colours(lab, neutrality(lab) > 0.5)
