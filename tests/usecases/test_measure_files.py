"""Many photos measured from the command line: on all cores, together or apart, and one that is none stops nothing."""

import numpy as np
import pytest
from benchmarks.own_rooms import CLOTHS, room_photos

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.photo.light import LightReference
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.usecases.measure_files import measure_files
from lucid_swatch.usecases.measure_photo import LightSource


@pytest.fixture(scope="module")
def paths(tmp_path_factory):
    place = tmp_path_factory.mktemp("room")
    found = []
    for name, content in room_photos("carpet"):
        (place / name).write_bytes(content)
        found.append(place / name)
    return found


def read(paths, **how):
    return measure_files(paths, [LightSource()] * len(paths), **how)


def off(measured):
    """CIEDE2000 of the main colours, in the mean."""
    true = [np.array(CLOTHS[one.path.stem][1]) for one in measured]
    return float(
        np.mean([delta_e_2000(m.reading.measurement.lab[0], lab) for m, lab in zip(measured, true, strict=True)])
    )


def test_photos_of_one_room_take_the_light_of_the_one_with_paper(paths):
    together = read(paths)
    assert [one.path for one in together] == paths
    references = [one.reading.measurement.light.reference for one in together]
    assert references == [LightReference.PAPER] + [LightReference.SERIES] * 4
    assert [one.lent_by for one in together] == [None] + [paths[0]] * 4
    apart = read(paths, apart=True)
    assert [one.lent_by for one in apart] == [None] * 5
    assert {one.reading.measurement.light.reference for one in apart[1:]} == {LightReference.ESTIMATED}
    assert off(together) < off(apart) + 0.5


def test_a_mark_outranks_the_paper_that_is_found(paths):
    marked = [LightSource(NeutralPoint(0.03, 0.03, 62.0)), *[LightSource()] * 4]
    first = measure_files(paths, marked)[0]
    assert first.reading.measurement.light.reference is LightReference.NEUTRAL


def test_one_that_is_no_photo_is_named_and_the_others_still_come(paths, tmp_path):
    broken = tmp_path / "broken.jpg"
    broken.write_bytes(b"no photo")
    measured = read([paths[0], broken, tmp_path / "gone.jpg", paths[1]])
    assert [one.problem is None for one in measured] == [True, False, False, True]
    assert [one.reading is None for one in measured] == [False, True, True, False]
    assert "broken.jpg" in str(measured[1].problem)


def test_what_is_one_photo_alone_is_read_as_alone(paths):
    (alone,) = read(paths[1:2])
    assert alone.reading.measurement.light.reference is LightReference.ESTIMATED
