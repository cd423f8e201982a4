"""The handheld colour reader: a client of its plain line protocol over a local socket.

One line asks, one line answers. `HELLO` names the device; `CALIBRATE` reads its white tile; `READ` answers
`LAB L a b`; a fault answers `ERROR word`, where the word is `tile`, `calibrate`, `lifted` or `warming`."""

import math
import socket
import time
from collections.abc import Callable
from dataclasses import dataclass
from typing import Protocol

import numpy as np

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.problems import Refused

SECONDS = 2.0
"""How long one answer may take."""
TRIES = 3
LONGEST_LINE = 200
FAULTS = {
    "tile": ("the reader does not see its white tile.", "Put the reader on its tile and try again."),
    "calibrate": ("the reader has not been calibrated.", "Put the reader on its tile first."),
    "lifted": ("the reader was lifted while it read.", "Hold it flat on the cloth until it answers."),
    "warming": ("the reader is still warming up.", "Wait a minute and try again."),
}
PASSING = ("lifted", "warming")
"""Faults that may be gone at the next try."""


class ColourReader(Protocol):
    """Anything that reads the colour of what it is held to."""

    def calibrate(self) -> None:
        """Reads the white tile. Refused when it is not on it."""

    def read(self) -> FloatArray:
        """CIELAB, (3,), D65, of what it is held to. Refused when it cannot."""


@dataclass(frozen=True, slots=True)
class SocketReader:
    """A reader that listens on a port of this machine."""

    port: int
    seconds: float = SECONDS
    pause: Callable[[float], None] = time.sleep

    def name(self) -> str:
        """What the device calls itself. Refused when none answers."""
        return self._asked("HELLO").removeprefix("READER ").strip()

    def calibrate(self) -> None:
        """Reads the white tile. Refused when it is not on it."""
        self._asked("CALIBRATE")

    def read(self) -> FloatArray:
        """CIELAB, (3,), of what it is held to; tries again after a slip. Refused when it cannot be read."""
        answer = self._asked("READ")
        parts = answer.split()
        try:
            values = [float(word) for word in parts[1:]]
        except ValueError:
            values = []
        good = parts[:1] == ["LAB"] and len(values) == 3 and all(math.isfinite(v) for v in values)
        if not good or not -1.0 <= values[0] <= 110.0:
            raise Refused("the reader answered something that is no colour.", "reader", "Switch it off and on again.")
        return np.array(values)

    def _asked(self, line: str) -> str:
        fault = ""
        for turn in range(TRIES):
            answer = self._exchanged(line)
            if not answer.startswith("ERROR"):
                return answer
            fault = answer.removeprefix("ERROR").strip()
            if fault not in PASSING:
                break
            if turn < TRIES - 1:
                self.pause(0.05)
        what, do = FAULTS.get(fault, ("the reader reports a fault.", "Switch it off and on again."))
        raise Refused(what, "reader", do)

    def _exchanged(self, line: str) -> str:
        try:
            with socket.create_connection(("127.0.0.1", self.port), timeout=self.seconds) as link:
                link.sendall(f"{line}\n".encode("ascii"))
                with link.makefile("r", encoding="ascii", errors="replace") as answers:
                    answer = answers.readline(LONGEST_LINE)
        except TimeoutError:
            raise Refused("the reader does not answer in time.", "reader", "Wake it and try again.") from None
        except OSError:
            raise Refused("no colour reader is connected.", "reader", "Switch it on and try again.") from None
        if not answer.endswith("\n"):
            raise Refused("the reader broke off in the middle of an answer.", "reader", "Try again.")
        return answer.strip()
