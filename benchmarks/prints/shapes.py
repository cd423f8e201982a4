"""Shapes strewn on a lattice, and the places nearest to its points."""

from dataclasses import dataclass

import numpy as np

TABLE = 61
"""Cells of the lattice after which chance begins again."""


@dataclass
class Drawn:
    """One shape of every cell, as each place sees it: its own chance, and where the place lies from its middle."""

    across: np.ndarray
    down: np.ndarray
    cell: np.ndarray
    rng_tables: np.ndarray
    used: int = 0

    def __post_init__(self):
        self.r, self.angle = np.hypot(self.across, self.down), np.arctan2(self.down, self.across)

    def draw(self, least, most):
        """A number of each shape's own between two."""
        self.used += 1
        return least + (most - least) * self.rng_tables[self.used % len(self.rng_tables)].ravel()[self.cell]

    def pick(self, count):
        """A whole number of each shape's own below another."""
        return np.minimum(self.draw(0, max(count, 1)).astype(int), max(count, 1) - 1)

    def turned(self, angle):
        """Where a place lies along and across a direction."""
        c, s = np.cos(angle), np.sin(angle)
        return self.across * c + self.down * s, -self.across * s + self.down * c

    def wobble(self, rough):
        """The edge of an uneven round shape, around 1."""
        return 1 + rough * (
            np.cos(2 * self.angle - self.draw(0, 6.3)) + 0.7 * np.cos(3 * self.angle - self.draw(0, 6.3))
            + 0.4 * np.cos(5 * self.angle - self.draw(0, 6.3))
        )  # fmt: skip


def scattered(u, v, rng, stagger, jitter, shape):
    """Shapes on a lattice of unit cells, every other row moved by stagger, each moved by chance up to jitter.

    shape: tells of a Drawn the colour of each place, -1 where the shape is not. Returns (rows, columns), 0 the ground."""
    tables = rng.random((12, TABLE, TABLE))
    moves = jitter * rng.uniform(-1, 1, (2, TABLE, TABLE))
    answer = np.zeros(u.shape, int)
    row = np.floor(v).astype(int)
    for down in (-1, 0, 1):
        own_row = row + down
        moved = u + stagger * (own_row % 2)
        column = np.floor(moved).astype(int)
        for across in (-1, 0, 1):
            cell = (own_row % TABLE) * TABLE + (column + across) % TABLE
            x = moved - (column + across + 0.5) - moves[0].ravel()[cell]
            y = v - (own_row + 0.5) - moves[1].ravel()[cell]
            seen = shape(Drawn(x, y, cell, tables))
            answer = np.where(seen >= 0, seen, answer)
    return answer


def two_nearest(u, v, rng, jitter):
    """The distance to the nearest point of a jittered, staggered lattice, to the next one, and the first one's number."""
    moves = jitter * rng.uniform(-1, 1, (2, TABLE, TABLE))
    numbers = rng.integers(0, 1000, TABLE * TABLE)
    near, next_ = np.full(u.shape, 9.0), np.full(u.shape, 9.0)
    which = np.zeros(u.shape, int)
    row = np.floor(v).astype(int)
    for down in (-1, 0, 1):
        own_row = row + down
        moved = u + 0.5 * (own_row % 2)
        column = np.floor(moved).astype(int)
        for across in (-1, 0, 1):
            cell = (own_row % TABLE) * TABLE + (column + across) % TABLE
            x = moved - (column + across + 0.5) - moves[0].ravel()[cell]
            y = v - (own_row + 0.5) - moves[1].ravel()[cell]
            far = np.hypot(x, y)
            first = far < near
            next_ = np.where(first, near, np.minimum(next_, far))
            which = np.where(first, numbers[cell], which)
            near = np.where(first, far, near)
    return near, next_, which
