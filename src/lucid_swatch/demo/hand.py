"""The hand that lays the samples under the stand-in of the colour reader."""

import json
import socket
from pathlib import Path

import numpy as np

from lucid_swatch.core.photo.card import GREY_STEPS, NOMINAL
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.records import ClientRecord, PhotoRecord

from .samples import TRUTH
from .wardrobe import CLIENTS

PRINTER = 5
"""Seed of what the home printer of the demo makes of the card."""


GOODS = (38.0, 24.0, 26.0)
"""CIELAB of a bolt of cloth in a shop."""


def printed_card() -> np.ndarray:
    """(24, 3), CIELAB of the card as a home printer printed it: paper and greys grey, the colours near what was asked."""
    rng = np.random.default_rng(PRINTER)
    printed = NOMINAL + rng.normal(0, 1, NOMINAL.shape) * np.array([2.5, 4.0, 4.0])
    printed[:GREY_STEPS, 1:] = rng.normal(0, 0.4, (GREY_STEPS, 2))
    printed[0] = (94.6, 0.2, -1.1)
    return printed


class SampleHand:
    """Lays tile, card or sample cloth under the stand-in that listens on a port."""

    def __init__(self, port: int, samples: Path) -> None:
        self.port, self.samples = port, samples

    def on_tile(self) -> None:
        """Puts it on its white tile."""
        self._lay("tile")

    def on_patch(self, number: int) -> None:
        """Puts it on a patch of the printed card."""
        self._lay(" ".join(f"{v:.3f}" for v in printed_card()[number]))

    def on_cloth(self, photo: PhotoRecord) -> None:
        """Puts it on the cloth that a sample photo shows. Refused for any other photo."""
        truths = json.loads((self.samples / TRUTH).read_text(encoding="utf-8"))
        shown = next((t for t in truths if t["file"] == photo.name), None)
        if shown is None:
            do = "Try it on a sample photo, or connect a reader of your own."
            raise Refused("the sample reader has only the cloth of the samples at hand.", photo.name, do)
        largest = max(shown["colours"], key=lambda colour: colour["share"])
        self._lay(" ".join(f"{v:.3f}" for v in largest["lab"]))

    def on_goods(self) -> None:
        """Puts it on the one bolt that lies on the counter of the demo's shop."""
        self._lay(" ".join(f"{v:.3f}" for v in GOODS))

    def on_face(self, client: ClientRecord, part: str) -> None:
        """Puts it on the skin or the hair of a sample client. Refused for anybody else, and on an eye."""
        sitter = next((c.sitter for c in CLIENTS if c.name == client.name), None)
        if sitter is None or part == "eyes":
            do = "Read the skin or the hair of a sample client, or set the colour by eye."
            raise Refused("the sample reader cannot be held there.", client.name, do)
        self._lay(" ".join(f"{v:.3f}" for v in getattr(sitter, part)))

    def _lay(self, what: str) -> None:
        with socket.create_connection(("127.0.0.1", self.port), timeout=2) as link:
            link.sendall(f"UNDER {what}\n".encode("ascii"))
            link.recv(100)
