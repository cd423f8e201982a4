"""The colour reader's protocol, against the stand-in and against devices that misbehave."""

import socket
import threading

import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.problems import Refused
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.outside.reader_stand_in import TILE, ReaderStandIn


@pytest.fixture
def device():
    with ReaderStandIn(seed=1) as there:
        yield there


@pytest.fixture
def reader(device):
    return SocketReader(device.port, pause=lambda seconds: None)


def test_it_reads_what_lies_under_it_after_calibration(device, reader):
    reader.calibrate()
    device.answer("UNDER 30.5 4.25 -18")
    read = np.mean([reader.read() for _ in range(20)], axis=0)
    assert_allclose(read, [30.5, 4.25, -18], atol=0.2)
    assert reader.name() == "stand-in"


def test_a_cold_device_would_be_off_without_its_tile(device, reader):
    reader.calibrate()
    device.answer("UNDER tile")
    assert_allclose(reader.read(), TILE, atol=0.6)


@pytest.mark.parametrize(
    ("under", "calibrated", "says"), [("tile", False, "has not been calibrated"), ("nothing", True, "was lifted")]
)
def test_what_it_cannot_read_is_said(device, reader, under, calibrated, says):
    if calibrated:
        reader.calibrate()
    device.answer(f"UNDER {under}")
    with pytest.raises(Refused, match=says):
        reader.read()


def test_calibration_wants_the_tile(device, reader):
    device.answer("UNDER 50 0 0")
    with pytest.raises(Refused, match="does not see its white tile"):
        reader.calibrate()


def test_nonsense_under_it_is_an_error(device):
    assert device.answer("UNDER 1 2") == "ERROR word"
    assert device.answer("UNDER a b c") == "ERROR word"
    assert device.answer("UNDER nan 0 0") == "ERROR word"
    assert device.answer("DANCE") == "ERROR word"


class Device:
    """A device that answers each connection with the next of some texts, or not at all."""

    def __init__(self, *answers):
        self.answers = list(answers)
        self.socket = socket.create_server(("127.0.0.1", 0))
        self.port = self.socket.getsockname()[1]
        self.open = []
        threading.Thread(target=self._serve, daemon=True).start()

    def _serve(self):
        for answer in self.answers:
            link, _ = self.socket.accept()
            link.recv(200)
            if answer is None:
                self.open.append(link)  # says nothing and keeps the line
                continue
            link.sendall(answer)
            link.close()


@pytest.mark.parametrize(
    ("answer", "says"),
    [
        (b"LAB 1 2\n", "no colour"),
        (b"LAB x y z\n", "no colour"),
        (b"LAB nan 0 0\n", "no colour"),
        (b"LAB 900 0 0\n", "no colour"),
        (b"LAB 50 0", "broke off"),
        (b"", "broke off"),
        (b"\xff\xfe\n", "no colour"),
        (b"ERROR gremlins\n", "reports a fault"),
    ],
)
def test_a_broken_answer_is_refused(answer, says):
    with pytest.raises(Refused, match=says):
        SocketReader(Device(answer).port, pause=lambda seconds: None).read()


def test_a_slip_is_tried_again():
    device = Device(b"ERROR lifted\n", b"ERROR warming\n", b"LAB 40 1 2\n")
    pauses = []
    assert_allclose(SocketReader(device.port, pause=pauses.append).read(), [40, 1, 2])
    assert len(pauses) == 2


def test_a_silent_device_times_out():
    silent = Device(None)
    with pytest.raises(Refused, match="does not answer in time"):
        SocketReader(silent.port, seconds=0.2).read()


def test_no_device_is_said():
    with socket.create_server(("127.0.0.1", 0)) as free:
        port = free.getsockname()[1]
    with pytest.raises(Refused, match="no colour reader is connected"):
        SocketReader(port).read()
