"""The project's own pairs of looks, of which one is better by a rule of the craft."""

import csv
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import numpy as np

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Finish, Metal, PatternType, Scale, Volume, Worn
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.formats.look import ConventionsDocument

FOLDER = Path(__file__).parent / "pairs"
CLIENTS = {
    "warm": Client(np.array([63.0, 13, 24]), np.array([24.0, 8, 12]), np.array([34.0, 8, 16])),
    "cool": Client(np.array([70.0, 11, 8]), np.array([20.0, 1, -1]), np.array([48.0, -4, -12])),
    "deep-warm": Client(np.array([36.0, 12, 20]), np.array([12.0, 2, 2]), np.array([20.0, 6, 9])),
    "deep-cool": Client(np.array([32.0, 10, 9]), np.array([11.0, 0, -1]), np.array([18.0, 2, 2])),
    "strong": Client(np.array([82.0, 8, 12]), np.array([12.0, 1, 0]), np.array([40.0, -6, -24])),
    "gentle": Client(np.array([72.0, 10, 15]), np.array([60.0, 6, 18]), np.array([58.0, 0, 4])),
    "middle": Client(np.array([68.0, 11, 17]), np.array([36.0, 8, 14]), np.array([40.0, 4, 10])),
}
SHARES = {1: (1.0,), 2: (0.6, 0.4), 3: (0.55, 0.28, 0.17), 4: (0.5, 0.22, 0.16, 0.12)}


@dataclass(frozen=True)
class Pair:
    """Two looks, and by which measure the first is better."""

    principle: str
    measure: str
    better: Look
    worse: Look


def own_pairs() -> list[Pair]:
    """Every pair of the file. ValueError with the line when one cannot be read."""
    colours = colours_by_name()
    return [_pair(number, line, colours) for number, line in lines_of(FOLDER / "pairs.txt")]


def lines_of(file: Path) -> Iterator[tuple[int, str]]:
    for number, line in enumerate(file.read_text(encoding="utf-8").splitlines(), start=1):
        if line.strip() and not line.startswith("#"):
            yield number, line


def colours_by_name() -> dict[str, np.ndarray]:
    rows = csv.reader(line for _, line in lines_of(FOLDER / "colours.csv"))
    return {name: np.array([float(v) for v in lab]) for name, *lab in rows}


def _pair(number: int, line: str, colours: dict[str, np.ndarray]) -> Pair:
    principle, measure, better, worse, said = (part.strip() for part in line.split("|"))
    try:
        first, second = (
            _look(f"{principle}-{number}-{k}", text, said, colours) for k, text in enumerate((better, worse))
        )
    except (KeyError, ValueError) as problem:
        raise ValueError(f"line {number} of the pairs: {problem}") from None
    return Pair(principle, measure, first, second)


def _look(id: str, text: str, said: str, colours: dict[str, np.ndarray]) -> Look:
    return look_of(
        id, tuple(piece_of(f"{id}-{k}", words.split(), colours) for k, words in enumerate(text.split(","))), said
    )


def look_of(id: str, pieces: tuple[Piece, ...], said: str) -> Look:
    """A look with what is said of it: client, intent, schools."""
    options = dict(one.split("=") for one in said.split())
    client, intent = options.pop("client", None), options.pop("intent", None)
    conventions = ConventionsDocument.model_validate(options).to_core()
    return Look(
        id, pieces, None if client is None else CLIENTS[client], conventions, None if intent is None else Intent(intent)
    )


def piece_of(id: str, words: list[str], colours: dict[str, np.ndarray]) -> Piece:
    category, cloth, *rest = words
    lab = np.array([colours[name] for name in cloth.split("+")])
    kinds = {"pattern": PatternType, "scale": Scale, "metal": Metal, "volume": Volume, "worn": Worn}
    said: dict[str, object] = {}
    finish = []
    for word in rest:
        if "=" in word:
            name, value = word.split("=")
            said[name] = float(value)
        elif word in set(Finish):
            finish.append(Finish(word))
        else:
            name, kind = next((name, kind) for name, kind in kinds.items() if word in set(kind))
            said[name] = kind(word)
    # a pair says all that it is about: cloth without a word is plain
    told = frozenset(finish or [Finish.MATTE])
    label = f"{cloth.replace('+', ' and ')} {category}"
    return Piece(id, Category(category), lab, np.array(SHARES[len(lab)]), label=label, finish=told, **said)  # type: ignore[arg-type]
