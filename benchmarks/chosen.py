"""Where the looks that a stylist would choose stand among looks of the same places drawn from the same wardrobe.

Usage: python -m benchmarks.chosen [--each]"""

import argparse
import json
from dataclasses import dataclass

import numpy as np

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.verdict import wholes

from .own_pairs import CLIENTS, FOLDER, colours_by_name, lines_of, piece_of

WARDROBES = FOLDER.parent / "wardrobes"
DRAWN, SEED = 150, 31


@dataclass(frozen=True)
class Wardrobe:
    """Pieces that hang together, and looks of them that a stylist would choose."""

    name: str
    pieces: dict[str, Piece]
    looks: list[tuple[str, ...]]
    client: Client | None


def own_wardrobes() -> list[Wardrobe]:
    """Every wardrobe of the project's own. ValueError, naming file and line, when one cannot be read."""
    colours = colours_by_name()
    return [_wardrobe(file, colours) for file in sorted(WARDROBES.glob("*.txt"))]


def _wardrobe(file, colours) -> Wardrobe:
    pieces, looks, client = {}, [], None
    for number, line in lines_of(file):
        words = line.split()
        try:
            if words[0].startswith("client="):
                client = CLIENTS[words[0].removeprefix("client=")]
            elif words[0] == "look":
                missing = [word for word in words[1:] if word not in pieces]
                if missing:
                    raise ValueError(f"no piece {missing[0]}")
                looks.append(tuple(words[1:]))
            else:
                pieces[words[0]] = piece_of(words[0], words[1:], colours)
        except (KeyError, ValueError) as problem:
            raise ValueError(f"{file.name}, line {number}: {problem}") from None
    return Wardrobe(file.stem, pieces, looks, client)


def drawn(wardrobe, look, rng, count):
    """Looks of the same places as one look. Lists of ids."""
    zones = [zone_of(wardrobe.pieces[id].category) for id in look]
    there = {zone: [id for id, piece in wardrobe.pieces.items() if zone_of(piece.category) is zone] for zone in zones}
    found = []
    while len(found) < count:
        ids = tuple(str(rng.choice(there[zone])) for zone in zones)
        if len(set(ids)) == len(ids) and set(ids) != set(look):
            found.append(ids)
    return found


def percentiles(wardrobe, rng, client=True, count=DRAWN):
    """The share of drawn looks that each chosen one stands above, 0..100; equals count half."""
    face = wardrobe.client if client else None
    ids = [one for look in wardrobe.looks for one in (look, *drawn(wardrobe, look, rng, count))]
    looks = [Look(str(k), tuple(wardrobe.pieces[id] for id in one), face) for k, one in enumerate(ids)]
    whole = wholes(looks).reshape(len(wardrobe.looks), count + 1)
    chosen, others = whole[:, :1], whole[:, 1:]
    return 100 * ((others < chosen).mean(axis=1) + (others == chosen).mean(axis=1) / 2)


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--each", action="store_true", help="every look with where it stands, lowest first")
    asked = parser.parse_args()
    figures = {}
    for client in (True, False):
        found = {one.name: percentiles(one, np.random.default_rng(SEED), client) for one in own_wardrobes()}
        every = np.concatenate(list(found.values()))
        figures["with the client" if client else "without"] = {
            "looks": len(every),
            "median": round(float(np.median(every)), 1),
            "mean": round(float(every.mean()), 1),
            "lowest": round(float(every.min()), 1),
            "under 25": int((every < 25).sum()),
            **{name: round(float(np.mean(values)), 1) for name, values in found.items()},
        }
        if asked.each and not client:
            rows = [
                (v, w.name, " ".join(look))
                for w in own_wardrobes()
                for v, look in zip(found[w.name], w.looks, strict=True)
            ]
            for value, name, look in sorted(rows):
                print(f"{value:5.1f} {name} {look}")
    print(json.dumps(figures, indent=1))


if __name__ == "__main__":
    main()
