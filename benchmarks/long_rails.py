"""A rail of five thousand pieces against one of five hundred: what it costs, and its memory."""

import json
import resource
import subprocess
import sys
import tempfile
import time
from datetime import date
from pathlib import Path

import numpy as np

CATEGORIES = (
    "top",
    "shirt",
    "knit",
    "jacket",
    "coat",
    "dress",
    "skirt",
    "trousers",
    "shoes",
    "boots",
    "bag",
    "belt",
    "scarf",
    "hat",
    "necklace",
)


def long_rails(counts=(500, 5000)):
    """Figures of each, in a process of its own so that its memory is only its own."""
    done = [
        subprocess.run(
            [sys.executable, "-m", "benchmarks.long_rails", str(n)], capture_output=True, text=True, check=True
        )
        for n in counts
    ]
    return {f"{n} pieces": json.loads(one.stdout) for n, one in zip(counts, done, strict=True)}


def _rail(count):
    rng = np.random.default_rng(1)
    pieces = []
    for k in range(count):
        share = np.sort(rng.dirichlet(np.ones(rng.integers(1, 4))))[::-1]
        colours = [
            {"lab": [float(rng.uniform(5, 95)), *map(float, rng.normal(0, 20, 2))], "share": float(one)}
            for one in share
        ]
        pattern = {"type": "solid"} if len(share) == 1 else {"type": "stripe", "scale": "small"}
        pieces.append(
            {
                "id": f"p{k}",
                "label": f"piece {k}",
                "category": str(rng.choice(CATEGORIES)),
                "colours": colours,
                "pattern": pattern,
            }
        )
    return json.dumps({"format": "lucid-swatch/rail", "version": 1, "pieces": pieces}).encode(), pieces


def _run(count):
    from lucid_swatch.store.database import open_database
    from lucid_swatch.store.folder import Folder
    from lucid_swatch.usecases.audit import audit, work
    from lucid_swatch.usecases.clients import add_client
    from lucid_swatch.usecases.looks import judge_pieces
    from lucid_swatch.usecases.neighbours import company_of
    from lucid_swatch.usecases.palettes import find_colours
    from lucid_swatch.usecases.rail_in import open_rail, take_rail_in

    content, pieces = _rail(count)
    three = tuple(next(p["id"] for p in pieces if p["category"] == one) for one in ("top", "trousers", "shoes"))
    with tempfile.TemporaryDirectory() as place:
        sessions = open_database(Path(place) / "data")
        with sessions.begin() as session:
            client = add_client(session, "Maren", date(2031, 5, 4)).id
        take_rail_in(sessions, Folder(Path(place) / "data"), None, client, open_rail(content, "rail.json"))
        with sessions() as session:
            asked = {
                "audit, s": lambda: audit(session, client),
                "what works hard, s": lambda: work(session, client),
                "judging a look, s": lambda: judge_pieces(session, client, three),
                "company of a piece, s": lambda: company_of(session, three[0]),
                "five colours, s": lambda: find_colours(session, client, 5, 10.0, []),
            }
            figures = {name: _took(act) for name, act in asked.items()}
    print(json.dumps(figures | {"peak memory, MB": round(resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024)}))


def _took(act):
    start = time.perf_counter()
    act()
    return round(time.perf_counter() - start, 2)


if __name__ == "__main__":
    _run(int(sys.argv[1]))
