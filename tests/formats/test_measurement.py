"""Measurements as documents: shares that sum, and a way back to a piece."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.garment.vocabulary import Bin, Category, PatternType
from lucid_swatch.core.problems import NotThere, Problem, Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.formats.measurement import MeasurementDocument, rounded_shares
from lucid_swatch.usecases.measure_photo import measure_photo
from lucid_swatch.usecases.rail import piece_from_reading
from tests.pictures import coat_photo


@given(st.lists(st.floats(0.03, 1), min_size=1, max_size=9))
def test_printed_shares_sum_to_one(parts):
    share = np.sort(np.array(parts) / sum(parts))[::-1]
    printed = rounded_shares(share)
    assert sum(printed) == pytest.approx(1, abs=1e-9)
    assert np.abs(np.array(printed) - share).max() < 0.001


@pytest.fixture(scope="module")
def document(network):
    reading = measure_photo(decode_photo(coat_photo(), "coat.jpg"), network)
    return MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement)


def test_a_measurement_holds_what_the_format_promises(document):
    written = document.model_dump(mode="json")
    assert written["format"] == "lucid-swatch/measurement"
    assert written["version"] == 1
    assert set(written) >= {"photo", "light", "garment", "colours", "pattern", "finish", "sort"}
    assert set(written["colours"][0]) >= {"lab", "share", "hex", "name", "uncertainty"}
    assert written["sort"]["bin"] in set(Bin)
    assert -1 <= written["sort"]["temperature"] <= 1
    for share in (written["garment"]["share"], written["garment"]["confidence"], written["finish"]["sheen"]):
        assert 0 <= share <= 1


def test_a_measurement_survives_a_round_trip(document):
    assert MeasurementDocument.model_validate_json(document.model_dump_json()) == document


def test_a_piece_made_from_a_measurement_has_its_colours(document):
    piece = piece_from_reading("a", document.to_core(), Category.COAT)
    assert piece.pattern is PatternType.SOLID
    assert piece.lab.tolist() == [c.lab for c in document.colours]
    assert piece.share.sum() == pytest.approx(1)
    assert piece.label.endswith("coat")


@pytest.mark.parametrize("kind", [Refused, NotThere])
def test_a_problem_reads_as_one_sentence(kind):
    problem = kind("the shares sum to 0.70, not 1.", "$.pieces[0]", "Scale them.")
    assert isinstance(problem, Problem)
    assert str(problem) == "$.pieces[0]: the shares sum to 0.70, not 1. Scale them."
    assert str(kind("gone.")) == "gone."
