"""The part of a network that is kept answers as the whole does, and nothing else is computed."""

from importlib.resources import files

import numpy as np
import onnxruntime
import pytest
from google.protobuf.message import DecodeError

from lucid_swatch.outside.cut_out import COARSER_ANSWER
from lucid_swatch.outside.network_part import part_for_output

WHOLE = files("rembg").joinpath("u2netp.onnx").read_bytes()


def session(model):
    options = onnxruntime.SessionOptions()
    options.log_severity_level = 3
    return onnxruntime.InferenceSession(model, options, providers=["CPUExecutionProvider"])


def test_the_part_has_one_output_and_the_same_answer():
    model = part_for_output(WHOLE, COARSER_ANSWER)
    assert len(model) < len(WHOLE)
    whole, part = session(WHOLE), session(model)
    name = whole.get_outputs()[COARSER_ANSWER].name
    assert [output.name for output in part.get_outputs()] == [name]
    picture = np.random.default_rng(2).normal(0, 1, (1, 3, 320, 320)).astype(np.float32)
    feed = {whole.get_inputs()[0].name: picture}
    np.testing.assert_allclose(part.run(None, feed)[0], whole.run([name], feed)[0], atol=1e-5)


def test_an_answer_that_is_not_there_is_no_part():
    with pytest.raises(IndexError):
        part_for_output(WHOLE, 7)


def test_what_is_no_network_is_refused():
    with pytest.raises(DecodeError):
        part_for_output(b"\xff" * 40, 0)
