"""Days planned: how soon a week and a month stand, and how many occasions are dressed for."""

import time
from dataclasses import replace
from datetime import date, timedelta

import numpy as np

from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.complete import completed
from lucid_swatch.core.look.planning.days import Day, Habits, Occasion, Weather
from lucid_swatch.core.look.planning.good_looks import good_looks
from lucid_swatch.core.look.planning.week import dress_for

from .buying import drawn_rail

BEGINS = date(2031, 5, 5)
KINDS = (
    Occasion("travel", (1.5, 3.0), TimeOfDay.DAY),
    Occasion("rehearsal", (1.8, 3.2), TimeOfDay.DAY),
    Occasion("visit", (2.8, 4.0), TimeOfDay.DAY),
    Occasion("concert", (3.8, 5.0), TimeOfDay.EVENING),
)
SEEDS = range(5)


def planning():
    """Figures over drawn rails of 60 pieces; seconds are those that a person waits."""
    figures = {}
    for count in (7, 30):
        took, met, asked = [], 0, 0
        for seed in SEEDS:
            rng = np.random.default_rng(seed)
            rail = Wardrobe(
                tuple(replace(one, formality=float(rng.uniform(1.5, 4.8))) for one in drawn_rail(60, 40 + seed))
            )
            days = [_day(k, rng) for k in range(count)]
            begun = time.perf_counter()
            week = dress_for(good_looks(rail), days, Habits())
            completed(rail, [one for one in week.worn if one is not None])
            took.append(time.perf_counter() - begun)
            met += sum(one is not None for one in week.worn)
            asked += len(week.slots)
        figures[f"{count} days of a rail of 60, seconds, in the middle and at most"] = (
            round(float(np.median(took)), 1),
            round(max(took), 1),
        )
        figures[f"{count} days: occasions dressed for"] = f"{met} of {asked}"
    return figures


def _day(number, rng):
    some = rng.choice(len(KINDS), 1 + int(rng.random() < 0.3), replace=False)
    low = float(rng.uniform(2, 14))
    weather = Weather(low, low + 7, float(rng.random() < 0.3) * 4)
    return Day(BEGINS + timedelta(number), tuple(KINDS[int(k)] for k in some), weather)
