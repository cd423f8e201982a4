"""A plan on paper: however long, however named, and always the same."""

import re

import numpy as np

from lucid_swatch.files.plan_pdf import Cloth, PackedLine, PaperDay, PlanOnPaper, plan_pdf

NAVY = Cloth("Navy knit", ((np.array([21.0, 4.0, -22.0]), 0.7), (np.array([89.0, 2.0, 16.0]), 0.3)))


def paper(days=1, case=1, name="Tour", worn=(NAVY,)):
    day = PaperDay("Monday 5 May", "Concert <b>& more", "3 to 9 °C", tuple(worn), ("morning: with the coat",))
    packed = tuple(PackedLine(f"Piece {k}", k % 2 == 0, 1 + k % 3) for k in range(case))
    return plan_pdf(
        PlanOnPaper(name, "5 to 9 May 2031", "Vennby", (day,) * days, packed, "navy knit", ("Tue: nothing.",))
    )


def pages(content):
    return len(re.findall(rb"/Type /Page\b", content))


def test_a_plan_is_as_many_pages_as_it_needs():
    assert pages(paper()) == 1
    assert pages(paper(days=30)) > 2
    assert pages(paper(case=120)) > 1


def test_the_same_plan_is_the_same_file_with_its_title():
    assert paper() == paper()
    assert b"(Tour)" in paper()
    assert paper() != paper(name="Another tour")


def test_a_day_without_a_look_and_long_names_stand_there_all_the_same():
    assert pages(paper(worn=())) == 1
    long = Cloth("A very long name " * 20, NAVY.colours)
    assert pages(paper(worn=(long,) * 8)) == 1
