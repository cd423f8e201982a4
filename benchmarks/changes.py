"""How often the change that a stylist would make is the program's first, or among its first three, and how often
something stands among the three that no stylist would do.

Usage: python -m benchmarks.changes [--each] [MENDS.json]
Without a file: the project's own, benchmarks/pairs/changes.txt."""

import argparse
import json
from collections import defaultdict
from dataclasses import dataclass, replace
from pathlib import Path

from lucid_swatch.core.look.dressing.mends import Mend, find_mends
from lucid_swatch.core.look.look import Look
from lucid_swatch.formats.look import LookDocument

from .own_pairs import FOLDER, colours_by_name, lines_of, look_of, piece_of

Done = tuple[str, str | None, str | None]
"""What is done, at which piece, with which."""


@dataclass(frozen=True)
class Case:
    """A look with what lies on the bed, and what a stylist does about it."""

    principle: str
    look: Look
    hits: frozenset[Done]
    never: frozenset[Done]

    def after(self, done: Done) -> Look:
        """The look after a change."""
        _, at, by = done
        bed = {piece.id: piece for piece in self.look.rail}
        kept = [bed[by] if by and piece.id == at else piece for piece in self.look.pieces if by or piece.id != at]
        return replace(self.look, pieces=tuple(kept) if at else (*self.look.pieces, bed[by]), rail=())


def own_changes() -> list[Case]:
    """Every case of the file. ValueError with the line when one cannot be read."""
    colours, cases = colours_by_name(), []
    for number, line in lines_of(FOLDER / "changes.txt"):
        principle, said, worn, bed, does, never = (part.strip() for part in line.split("|"))
        id = f"{principle}-{number}"
        try:
            pieces = tuple(piece_of(chr(97 + k), words.split(), colours) for k, words in enumerate(worn.split(",")))
            rail = tuple(piece_of(str(k), words.split(), colours) for k, words in enumerate(bed.split(","), 1))
            look = replace(look_of(id, pieces, "" if said == "-" else said), rail=rail)
            case = Case(principle, look, _done(does), _done(never))
            for one in case.hits | case.never:
                case.after(one)
        except (KeyError, ValueError) as problem:
            raise ValueError(f"line {number} of the changes: {problem}") from None
        cases.append(case)
    return cases


def _done(text: str) -> frozenset[Done]:
    return frozenset(_one(word) for word in text.split() if word != "-")


def _one(word: str) -> Done:
    if word[0] == "+":
        return "add", None, word[1:]
    if word[0] == "-":
        return "remove", word[1:], None
    at, by = word.split(">")
    return "swap", at, by


def changes_of(file: Path) -> list[Case]:
    """The cases of a file of the open kind."""
    cases = []
    for told in json.loads(file.read_text(encoding="utf-8"))["cases"]:
        hits, never = (
            frozenset((h["do"], h["piece"], h["with"]) for h in told.get(key, [])) for key in ("hits", "never")
        )
        document = LookDocument.model_validate(
            {"id": told["id"], **told["look"], "format": "lucid-swatch/look", "version": 1}
        )
        cases.append(Case(told["id"], document.to_core(), hits, never))
    return cases


def ranked(case: Case) -> list[Done]:
    """What the program would do, first first."""
    return [what_is_done(mend) for mend in find_mends(case.look)]


def what_is_done(mend: Mend) -> Done:
    """A change of the program in the words of a case."""
    return ("add", None, mend.piece) if mend.do == "add" else (mend.do, mend.piece, mend.with_piece)


def figures(cases: list[Case]) -> dict[str, object]:
    """How the program's changes agree with the stylist's."""
    asked = [case for case in cases if case.hits]
    places = {id(case): ranked(case) for case in cases}
    rank = [next((k for k, one in enumerate(places[id(case)], 1) if one in case.hits), None) for case in asked]
    never = sum(one in case.never for case in cases for one in places[id(case)][:3])
    by: dict[str, list[int | None]] = defaultdict(list)
    for case, one in zip(asked, rank, strict=True):
        by[case.principle].append(one)
    return {
        "cases": len(cases),
        "first": round(sum(one == 1 for one in rank) / len(asked), 3),
        "among three": round(sum(one is not None and one <= 3 for one in rank) / len(asked), 3),
        "never done, among three": never,
        "principles that miss": {
            name: [sum(one == 1 for one in found), sum(one is not None and one <= 3 for one in found), len(found)]
            for name, found in by.items()
            if any(one != 1 for one in found)
        },
    }


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("file", nargs="?", type=Path)
    parser.add_argument("--each", action="store_true")
    asked = parser.parse_args()
    cases = changes_of(asked.file) if asked.file else own_changes()
    if asked.each:
        for case in cases:
            found = find_mends(case.look)
            told = [
                f"{'*' if d in case.hits else '!' if d in case.never else ' '}{d[0]} {d[1] or ''}>{d[2] or ''} {m.gain:.1f}"
                for d, m in zip(ranked(case), found, strict=True)
            ]
            print(case.look.id, told)
    print(json.dumps(figures(cases), indent=1))


if __name__ == "__main__":
    main()
