"""A rail as it was: the changes since then turned round, on paper only."""

from datetime import datetime

from lucid_swatch.store.records import ChangeRecord, HungPiece
from lucid_swatch.store.snapshots import hung_from, snapshot_of

from .changes import Snapshot, merged


def rail_before(changes: list[ChangeRecord], hung: list[HungPiece]) -> tuple[datetime | None, list[HungPiece] | None]:
    """The rail as the last earlier day left it, and when that was; None for both when every change is of one day.

    changes: of this rail, newest first. hung: the rail now."""
    standing = [change for change in changes if not change.taken_back]
    if not standing:
        return None, None
    today = standing[0].made_at.date()
    earlier = next((change for change in standing if change.made_at.date() < today), None)
    if earlier is None:
        return None, None
    rail: dict[str, Snapshot] = {one.piece.id: snapshot_of(one) for one in hung}
    for change in standing:
        if change.made_at.date() < today:
            break
        for entry in reversed(change.entries):
            if entry.kind == "piece":
                rail[entry.id] = merged(rail.get(entry.id), entry.after, entry.before)
    return earlier.made_at, [hung_from(id, kept) for id, kept in rail.items() if kept is not None]
