"""The forms in which the journal was written, and how an entry of an earlier one is brought up to today's.

What a change touched is kept as it was then, so that it can be taken back by every later version: when a snapshot changes
its form, JOURNAL_FORMAT goes up, and a step from the form before it is added here, with a fixture of that form among the
tests. A step never loses what it does not know."""

from collections.abc import Callable
from dataclasses import replace

from .records import Entry, Snapshot

JOURNAL_FORMAT = 4
"""1: as first written. 2: what is kept about pieces and looks is called their particulars, and the school of a look is
told by its conventions. 3: pieces have details of their cut and what their photo tells, and a volume may be unknown.
4: the days on which a piece was worn are lines of the log, and none of its particulars."""


def brought_up(entries: tuple[Entry, ...], written_as: int) -> tuple[Entry, ...]:
    """Entries of an earlier form in today's."""
    for form in range(written_as, JOURNAL_FORMAT):
        step = STEPS[form]
        entries = tuple(
            replace(
                entry,
                before=None if entry.before is None else step(entry.kind, entry.before),
                after=None if entry.after is None else step(entry.kind, entry.after),
            )
            for entry in entries
        )
    return entries


def _particulars(kind: str, snapshot: Snapshot) -> Snapshot:
    if kind not in ("piece", "look") or "kept" not in snapshot:
        return snapshot
    told = {name: value for name, value in snapshot.items() if name != "kept"}
    kept = snapshot["kept"] or {}
    return told | {"particulars": look_particulars(kept) if kind == "look" else kept}


SCHOOLS = {
    "statement": ("mute", "mute_round_statement"),
    "metals": ("mix", "mix_metals"),
    "neutrals": ("strict", "strict_neutrals"),
    "prints": ("one", "one_print"),
    "black-with-denim": ("avoid", "avoid_black_with_denim"),
    "whites": ("one", "one_white"),
    "shoes-and-bag": ("pair", "pair_shoes_and_bag"),
    "black-in-summer": ("avoid", "avoid_black_in_summer"),
}
"""What a look's own school was called at first: the word that differs from the usual, and the convention it stands for."""


def look_particulars(kept: Snapshot) -> Snapshot:
    """What is kept about a look, with its school told by its conventions. kept: as first written."""
    schools = kept.get("conventions")
    if schools is None:
        return kept
    own = {name: True for word, (other, name) in SCHOOLS.items() if schools.get(word) == other}
    return kept | {"conventions": own}


def _cut(kind: str, snapshot: Snapshot) -> Snapshot:
    if kind != "piece":
        return snapshot
    # easy stood for whatever nobody had said
    volume = None if snapshot["volume"] == "easy" else snapshot["volume"]
    return {"details": {}, "seen": {}} | snapshot | {"volume": volume}


def _log(kind: str, snapshot: Snapshot) -> Snapshot:
    if kind not in ("piece", "candidate") or "worn_on" not in (snapshot.get("particulars") or {}):
        return snapshot
    kept = {name: value for name, value in snapshot["particulars"].items() if name != "worn_on"}
    return snapshot | {"particulars": kept}


STEPS: dict[int, Callable[[str, Snapshot], Snapshot]] = {1: _particulars, 2: _cut, 3: _log}
"""From each form to the next."""
