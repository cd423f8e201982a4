"""Drapes held to the face in pairs: what every verdict says, and which pair would tell most.

The drape whose place is nearer to the client's own is found better, the more often the greater the difference of the
two distances (Bradley and Terry 1952), with a leaning to one side and a finger that slips (Wichmann and Hill 2001).
What is believed lies on a grid over the client's place and the observer's slope and leaning; all of it is arrays over
many clients at once, one client is a batch of one."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray


class Held(StrEnum):
    """The verdict on a pair."""

    LEFT = "left"
    RIGHT = "right"
    NO_DIFFERENCE = "no difference"


VERDICTS = (Held.LEFT, Held.RIGHT, Held.NO_DIFFERENCE)
MIRRORED = np.array([1, 0, 2])
"""The same verdict when the two drapes had changed places."""

UNDERTONES = np.linspace(-1, 1, 20)
STEPS = np.linspace(0, 1, 8)
"""Of depth and of clarity."""
SLOPES = np.array([2.0, 4.0, 8.0])
"""How sharply an observer tells near from far; unknown, so that all of them are believed in part."""
LEANINGS = np.array([-0.35, 0.0, 0.35])
"""Logits towards the left side."""
LAPSE = 0.08
"""Share of verdicts that a slipping finger or a wandering mind gives."""
ALIKE = 0.35
"""Logits within which an observer sees no difference."""
WEIGHTS = np.array([1.0, 1.1, 0.9])
"""Of undertone, depth and clarity in a distance."""
SIDE_SHARE = 0.5
"""How much the side of the undertone counts beside everything else when the next pair is chosen."""
BALANCED = 0.2
"""Undertone, either way, within which a client is balanced."""


def chances(nearer: FloatArray, slope: FloatArray, leaning: FloatArray, lapse: float = LAPSE) -> FloatArray:
    """Chance of each verdict. nearer: (...,), by how much the left drape is nearer. Returns (..., 3) as in VERDICTS."""
    pull = slope * nearer + leaning
    left = 1 / (1 + np.exp(ALIKE - pull))
    right = 1 / (1 + np.exp(ALIKE + pull))
    meant = np.stack([left, right, 1 - left - right], axis=-1)
    slipped = np.array([0.45, 0.45, 0.10])
    answer: FloatArray = (1 - lapse) * meant + lapse * slipped
    return answer


def distances(clients: FloatArray, drapes: FloatArray) -> FloatArray:
    """How far some drapes are from some clients. (n, 3), (m, 3) to (n, m)."""
    apart: FloatArray = np.linalg.norm((clients[:, None] - drapes[None]) * WEIGHTS, axis=-1)
    return apart


class TrialDesign:
    """What does not change while a set of drapes is held."""

    def __init__(self, drapes: FloatArray) -> None:
        """drapes: (m, 3), their places, two at least."""
        self.drapes = drapes
        first, second = np.triu_indices(len(drapes), 1)
        self.pairs: IntArray = np.stack([first, second], axis=1)
        """(pairs, 2), the drape that is shown left and the one right unless they are mirrored."""
        grid = np.meshgrid(UNDERTONES, STEPS, STEPS, indexing="ij")
        self.places: FloatArray = np.stack([axis.ravel() for axis in grid], axis=1)
        """(places, 3)."""
        apart = distances(self.places, drapes)
        nearer = (apart[:, second] - apart[:, first]).T
        slope, leaning = (axis.ravel() for axis in np.meshgrid(SLOPES, LEANINGS, indexing="ij"))
        table = chances(nearer[:, :, None], slope, leaning).astype(np.float32)
        self.observers = len(slope)
        self.chances: FloatArray = np.ascontiguousarray(table.reshape(len(first), -1, 3).transpose(2, 0, 1))
        """(3, pairs, cells); a cell is a place and an observer, observers running fastest."""
        self.noise: FloatArray = -(self.chances * np.log(self.chances)).sum(axis=0)
        """(pairs, cells), nats of a verdict that even this observer of this client leaves open."""
        self.warm: BoolArray = np.repeat(self.places[:, 0] > 0, self.observers)

    def start(self, clients: int = 1) -> FloatArray:
        """Nothing believed yet. (cells, clients)."""
        cells = self.chances.shape[2]
        return np.full((cells, clients), 1 / cells, dtype=np.float32)

    def pair_of(self, left: int, right: int) -> tuple[int, bool]:
        """The number of a pair, and whether it is shown mirrored."""
        low, high = min(left, right), max(left, right)
        count = len(self.drapes)
        return low * count - low * (low + 1) // 2 + high - low - 1, left > right


def updated(
    design: TrialDesign, belief: FloatArray, pair: IntArray, mirrored: BoolArray, verdict: IntArray
) -> FloatArray:
    """What is believed after one verdict on one pair for each client.

    belief: (cells, clients). pair, mirrored, verdict: (clients,); verdict as a place in VERDICTS."""
    seen = np.where(mirrored, MIRRORED[verdict], verdict)
    likelihood = design.chances[seen, pair].reshape(len(pair), -1, len(SLOPES), len(LEANINGS))
    # who leans to the left leans away from what was meant as the left drape when it is shown right
    likelihood = np.where(mirrored[:, None, None, None], likelihood[..., ::-1], likelihood)
    belief = belief * likelihood.reshape(len(pair), -1).T
    answer: FloatArray = belief / belief.sum(axis=0)
    return answer


def telling(design: TrialDesign, belief: FloatArray) -> FloatArray:
    """Nats that each pair is expected to tell: of the side of the undertone and of everything, mixed by SIDE_SHARE.

    belief: (cells, clients). Returns (pairs, clients)."""
    expected = design.chances @ belief
    open_ = _entropy(expected)
    everything = open_ - design.noise @ belief
    warm = belief * design.warm[:, None]
    share = warm.sum(axis=0)
    if_warm = design.chances @ warm
    if_cool = expected - if_warm
    side = open_ - share * _entropy(if_warm / np.maximum(share, 1e-9))
    side -= (1 - share) * _entropy(if_cool / np.maximum(1 - share, 1e-9))
    answer: FloatArray = SIDE_SHARE * side + (1 - SIDE_SHARE) * everything
    return answer


def _entropy(chance: FloatArray) -> FloatArray:
    """(3, ...) to (...,), nats."""
    open_: FloatArray = -(chance * np.log(np.maximum(chance, 1e-12))).sum(axis=0)
    return open_


@dataclass(frozen=True, slots=True)
class TrialReading:
    """What a trial has told."""

    undertone: float
    """-1 cool .. 1 warm, expected."""
    undertone_doubt: float
    """Standard deviation, as for the others."""
    depth: float
    depth_doubt: float
    clarity: float
    clarity_doubt: float
    warm: float
    """Chance that the undertone is on the warm side."""
    balanced: float
    """Chance that it is between the sides."""

    @property
    def side_sure(self) -> float:
        """Chance that the side which is the more likely one is right."""
        return max(self.warm, 1 - self.warm)


def read_trial(design: TrialDesign, belief: FloatArray) -> list[TrialReading]:
    """What is believed of each client. belief: (cells, clients)."""
    places = belief.reshape(len(design.places), design.observers, -1).sum(axis=1).astype(np.float64)
    mean = design.places.T @ places
    doubt = np.sqrt(np.maximum((design.places**2).T @ places - mean**2, 0))
    warm = places[design.places[:, 0] > 0].sum(axis=0)
    balanced = places[np.abs(design.places[:, 0]) < BALANCED].sum(axis=0)
    return [
        TrialReading(
            float(mean[0, i]),
            float(doubt[0, i]),
            float(mean[1, i]),
            float(doubt[1, i]),
            float(mean[2, i]),
            float(doubt[2, i]),
            float(warm[i]),
            float(balanced[i]),
        )
        for i in range(places.shape[1])
    ]


SURE_OF_SIDE, SURE_OF_BALANCE = 0.95, 0.7
SETTLED_WITHIN = 0.22
"""Standard deviation of depth and of clarity."""
MOST_PAIRS = 24


def in_doubt(reading: TrialReading) -> tuple[str, ...]:
    """What is not settled yet; empty when the trial may end."""
    open_ = []
    if reading.side_sure < SURE_OF_SIDE and reading.balanced < SURE_OF_BALANCE:
        open_.append("undertone")
    if reading.depth_doubt > SETTLED_WITHIN:
        open_.append("depth")
    if reading.clarity_doubt > SETTLED_WITHIN:
        open_.append("clarity")
    return tuple(open_)


def next_pair(design: TrialDesign, belief: FloatArray, held: list[tuple[int, int]]) -> tuple[int, int] | None:
    """The drapes to hold left and right next: the most telling pair that was not held yet; None when all were.

    belief: (cells, 1). held: the pairs so far, left and right. The sides take turns, so that a leaning cancels out."""
    gain = telling(design, belief)[:, 0]
    for left, right in held:
        gain[design.pair_of(left, right)[0]] = -1.0
    best = int(gain.argmax())
    if gain[best] < 0:
        return None
    left, right = (int(k) for k in design.pairs[best])
    return (
        (right, left)
        if _warmer_left(design, held) == (design.drapes[left, 0] > design.drapes[right, 0])
        else (left, right)
    )


def _warmer_left(design: TrialDesign, held: list[tuple[int, int]]) -> bool:
    """Whether the warmer drape was more often on the left so far."""
    lefts = sum(1 if design.drapes[a, 0] > design.drapes[b, 0] else -1 for a, b in held)
    return lefts > 0 if lefts else len(held) % 2 == 1
