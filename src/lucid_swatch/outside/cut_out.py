"""The salient-object network that says where the garment probably is."""

import os
from functools import cache
from importlib.resources import files
from typing import Any, Protocol, cast

import cv2
import numpy as np
import onnxruntime

from lucid_swatch.core.colour.arrays import ByteArray, FloatArray

from .network_part import part_for_output

NETWORK_SIDE = 320
USUAL, SPREAD = np.array([0.485, 0.456, 0.406], np.float32), np.array([0.229, 0.224, 0.225], np.float32)
"""Of the red, green and blue of the photos that the network learned from."""
COARSER_ANSWER = 2
"""Place of the answer at half the size among the network's outputs. It is trained on the same outlines as the fused one
and agrees with them as well, once the edge is refined; the last decoder it does without takes half of all time."""


class CutOut(Protocol):
    """Anything that finds the main thing of a photo."""

    def __call__(self, srgb: ByteArray) -> FloatArray:
        """Probability of belonging to the main thing. (rows, columns, 3) to (rows, columns), 0..1."""


ROOM = 0.15
"""Of each side of a photo."""


def seen_with_room(cut_out: CutOut, srgb: ByteArray) -> FloatArray:
    """What is found when the photo is carried on beyond its edges: something that runs out of the picture is taken for
    the ground otherwise. (rows, columns, 3) to (rows, columns), 0..1."""
    rows, columns = srgb.shape[:2]
    above, beside = round(ROOM * rows), round(ROOM * columns)
    roomy = cv2.copyMakeBorder(srgb, above, above, beside, beside, cv2.BORDER_REPLICATE).astype(np.uint8)
    return cut_out(roomy)[above : above + rows, beside : beside + columns]


class SalientObjectNetwork:
    """U²-Net, portable size, on the CPU. Source: Qin et al. 2020, Pattern Recognition 106."""

    def __init__(self, threads: int = 2) -> None:
        self.threads = threads

    def load(self) -> None:
        """Loads the weights before the first photo asks for them."""
        _session(self.threads)

    def __call__(self, srgb: ByteArray) -> FloatArray:
        small = cv2.resize(srgb, (NETWORK_SIDE, NETWORK_SIDE), interpolation=cv2.INTER_AREA).astype(np.float32)
        small /= max(float(small.max()), 1.0)
        small = (small - USUAL) / SPREAD
        session = _session(self.threads)
        feed = {session.get_inputs()[0].name: np.ascontiguousarray(small.transpose(2, 0, 1)[None])}
        answer = session.run(None, feed)[0][0, 0]
        rows, columns = srgb.shape[:2]
        wide = cv2.resize(answer, (columns, rows), interpolation=cv2.INTER_LINEAR)
        return cast(FloatArray, np.clip(wide, 0.0, 1.0))


@cache
def _session(threads: int) -> Any:
    options = onnxruntime.SessionOptions()
    options.intra_op_num_threads = min(threads, os.cpu_count() or 1)
    options.inter_op_num_threads = 1
    options.log_severity_level = 3
    # the arena keeps some 40 MB and spares every photo the touching of fresh pages, a third of its time; planning all
    # memory ahead would keep 200 more
    options.enable_mem_pattern = False
    # threads that wait by spinning are quicker within a photo, and take the core from what follows it
    options.add_session_config_entry("session.force_spinning_stop", "1")
    # found by its path: importing the package that carries the weights would load far more than them
    weights = part_for_output(files("rembg").joinpath("u2netp.onnx").read_bytes(), COARSER_ANSWER)
    return onnxruntime.InferenceSession(weights, options, providers=["CPUExecutionProvider"])
