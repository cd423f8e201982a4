"""A colour reader that is not there: the same protocol, with a tile, warm-up drift and noise.

Beside the device's own words it knows one of the hand that holds it: `UNDER tile`, `UNDER nothing` and
`UNDER L a b` lay something under it. A real device has no such word."""

import socketserver
import threading
import time
from types import TracebackType

import numpy as np

WARM_AFTER = 30.0
"""Seconds until the drift of the cold device has faded by two thirds."""
COLD_DRIFT = np.array([0.8, 0.15, -0.3])
"""CIELAB units that a cold device reads off, right after it was switched on."""
NOISE = 0.12
"""CIELAB units, standard deviation of one reading."""
TILE = np.array([95.2, -0.4, 1.1])


class ReaderStandIn:
    """Listens on a port of this machine while it is entered."""

    def __init__(self, seed: int = 0, port: int = 0) -> None:
        self._random = np.random.default_rng(seed)
        self._under: np.ndarray | None = TILE
        self._offset: np.ndarray | None = None
        self._since = time.monotonic()
        self._lock = threading.Lock()
        self._server = _Server(("127.0.0.1", port), _handler(self))
        self.port = int(self._server.server_address[1])

    def __enter__(self) -> "ReaderStandIn":
        threading.Thread(target=self._server.serve_forever, name="reader stand-in", daemon=True).start()
        return self

    def __exit__(
        self, kind: type[BaseException] | None, value: BaseException | None, trace: TracebackType | None
    ) -> None:
        self._server.shutdown()
        self._server.server_close()

    def answer(self, line: str) -> str:
        """What the device says to one line."""
        word, _, rest = line.strip().partition(" ")
        with self._lock:
            if word == "HELLO":
                return "READER stand-in"
            if word == "UNDER":
                return self._lay(rest)
            if word == "CALIBRATE":
                return self._calibrated()
            if word == "READ":
                return self._read()
        return "ERROR word"

    def _lay(self, what: str) -> str:
        if what in ("tile", "nothing"):
            self._under = TILE if what == "tile" else None
            return "OK"
        try:
            values = np.array([float(v) for v in what.split()])
        except ValueError:
            return "ERROR word"
        if values.shape != (3,) or not np.isfinite(values).all():
            return "ERROR word"
        self._under = values
        return "OK"

    def _calibrated(self) -> str:
        if self._under is None or np.abs(self._under - TILE).max() > 1e-9:
            return "ERROR tile"
        # what it reads on its tile against what the tile is: the drift of this moment
        self._offset = self._drift()
        return "OK"

    def _read(self) -> str:
        if self._offset is None:
            return "ERROR calibrate"
        if self._under is None:
            return "ERROR lifted"
        read = self._under + self._drift() - self._offset + self._random.normal(0, NOISE, 3)
        return "LAB " + " ".join(f"{v:.2f}" for v in read)

    def _drift(self) -> np.ndarray:
        drift: np.ndarray = COLD_DRIFT * np.exp(-(time.monotonic() - self._since) / WARM_AFTER)
        return drift


class _Server(socketserver.ThreadingTCPServer):
    daemon_threads = True
    allow_reuse_address = True


def _handler(device: ReaderStandIn) -> type[socketserver.StreamRequestHandler]:
    class Handler(socketserver.StreamRequestHandler):
        timeout = 5

        def handle(self) -> None:
            line = self.rfile.readline(200).decode("ascii", errors="replace")
            self.wfile.write((device.answer(line) + "\n").encode("ascii"))

    return Handler
