"""Capsules are chosen for a client: the few pieces that carry most good looks, with the curve that they are a point of."""

import time
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.garment.in_palette import in_palette
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.base_looks import BASE
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.planning.bags import bags_for
from lucid_swatch.core.look.planning.capsule import Asked, Capsule, capsule_of
from lucid_swatch.core.look.planning.curve import curve_of
from lucid_swatch.core.look.planning.good_looks import GoodLooks, good_looks
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish, KeptCapsule
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.capsule import CapsuleDocument
from lucid_swatch.formats.document import json_content, parse
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.records import JobKind, JobState

from .changes import recorded
from .wardrobe import wardrobe_of

MOST_PIECES = 60


def begin_capsule(session: Session, client_id: str, name: str, pieces: int, wish: CapsuleWish) -> KeptCapsule:
    """A capsule that is still to be chosen, and the job that chooses it. Refused when so many pieces cannot be asked for."""
    Clients(session).get(client_id)
    capsule = KeptCapsule(uuid4().hex, client_id, _named(name), datetime.now(UTC), wish, _number(pieces))
    Capsules(session).add(capsule)
    Jobs(session).ask(client_id, JobKind.CAPSULE, capsule.id)
    return capsule


def _number(pieces: int) -> int:
    if not 1 <= pieces <= MOST_PIECES:
        raise Refused(f"{pieces} pieces cannot be asked for.", "pieces", f"Ask for 1 to {MOST_PIECES}.")
    return pieces


def _named(name: str) -> str:
    if not name.strip():
        raise Refused("the capsule has no name.", "name", "Write what it is for, such as 'Northern tour'.")
    return name.strip()


def make_capsule(sessions: Sessions, id: str) -> None:
    """Chooses what a capsule was asked for, with its curve, and ends the job; nothing when it was called off."""
    with sessions.begin() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        Jobs(session).change(job.id, lambda now: replace(now, state=JobState.UNDER_WAY, done=0.0))
        capsule = Capsules(session).get(id)
        wardrobe = wardrobe_of(session, capsule.client_id).wardrobe
    try:
        with sessions() as session:
            asked = _asked(session, capsule, wardrobe)
        good = good_looks(wardrobe) if wardrobe.everything else None
        if good is None or not len(good.rows):
            raise Refused(
                "no good look can be made of this rail.", "rail", "See on the wall of made looks what is missing."
            )

        def tell(share: float, curve: Sequence[Capsule]) -> bool:
            with sessions.begin() as session:
                if not Jobs(session).is_asked(job.id):
                    return False
                Jobs(session).change(job.id, lambda now: replace(now, done=share))
                if capsule.chosen_at is None:
                    Capsules(session).change(id, lambda now: replace(now, curve=tuple(curve)))
            return True

        curve = curve_of(good, asked, tell, time.monotonic)
    except Refused as problem:
        _set_down(sessions, id, f"{problem.what[:1].upper()}{problem.what[1:]} {problem.do}")
        return
    bags = _bags(wardrobe, good, curve, capsule)
    with sessions.begin() as session:
        if not Jobs(session).is_asked(job.id):
            return
        Jobs(session).remove(job.id)
        with recorded(session, capsule.client_id, f"chose the capsule '{capsule.name}'") as change:
            change.touches("capsule", id)
            if capsule.chosen_at is None:
                # before its pieces were chosen there was no capsule to go back to
                change.before["capsule", id] = None
            Capsules(session).change(
                id, lambda now: replace(now, curve=curve, bag_ids=bags, lack="", chosen_at=datetime.now(UTC))
            )


def _asked(session: Session, capsule: KeptCapsule, wardrobe: Wardrobe) -> Asked:
    """What is asked as the choice takes it: pieces that went since are asked for no more."""
    wish = capsule.wish
    keep = tuple(id for id in wish.keep if id in wardrobe.by_id and zone_of(wardrobe.by_id[id].category) in BASE)
    among = None
    if wish.palette is not None:
        palette = Palettes(session).get(wish.palette)
        lab = np.array([colour.lab for colour in palette.colours], dtype=float)
        among = frozenset(one.piece_id for one in in_palette(wardrobe.pieces, lab, palette.within) if one.inside)
        if not among:
            raise Refused("no piece of the rail is in this palette.", palette.name, "Widen it, or leave it out.")
    at_most = {} if wish.shoes is None else {Zone.FEET: wish.shoes}
    demands = tuple(one.to_demand() for one in wish.purposes)
    return Asked(capsule.pieces, keep, among, at_most, demands)


def _bags(wardrobe: Wardrobe, good: GoodLooks, curve: Sequence[Capsule], capsule: KeptCapsule) -> tuple[str, ...]:
    here = next((one for one in curve if one.asked_for == capsule.pieces), None)
    return () if here is None else bags_for(wardrobe, good, here, capsule.wish.bags)


def stop_choosing(session: Session, id: str) -> KeptCapsule:
    """Calls the choosing off; the best that was found by now stays."""
    capsule = Capsules(session).get(id)
    Jobs(session).call_off([id])
    if capsule.chosen_at is not None:
        return capsule
    lack = "" if capsule.curve else "Stopped."
    with recorded(session, capsule.client_id, f"chose the capsule '{capsule.name}'") as change:
        change.touches("capsule", id)
        change.before["capsule", id] = None
        return Capsules(session).change(id, lambda now: replace(now, chosen_at=datetime.now(UTC), lack=lack))


def set_down_unchosen(sessions: Sessions, id: str, problem: Problem) -> None:
    """Notes on a capsule why it could not be chosen, and ends the job."""
    _set_down(
        sessions, id, "The pieces could not be chosen: it took too long, or ended on the way. Ask for fewer, or again."
    )


def _set_down(sessions: Sessions, id: str, told: str) -> None:
    with sessions.begin() as session:
        Jobs(session).call_off([id])
        Capsules(session).change(id, lambda now: replace(now, lack=told, chosen_at=now.chosen_at or datetime.now(UTC)))


def change_capsule(session: Session, id: str, name: str | None = None, pieces: int | None = None) -> KeptCapsule:
    """Gives a capsule another name, or takes another point of its curve. Refused for a number that the curve has not."""
    capsule = Capsules(session).get(id)
    if pieces is not None and pieces not in {number for number, _ in capsule.points}:
        raise Refused(
            f"the curve does not tell of {pieces} pieces.", capsule.name, "Choose a capsule of that many anew."
        )
    told = f"called '{capsule.name}' {name}" if name is not None else f"'{capsule.name}' holds {pieces} pieces"
    wardrobe = wardrobe_of(session, capsule.client_id).wardrobe if pieces is not None else None
    now = replace(capsule, name=_named(name or capsule.name), pieces=pieces or capsule.pieces)
    if wardrobe is not None and now.pieces != capsule.pieces:
        now = replace(now, bag_ids=_bags(wardrobe, good_looks(wardrobe), now.curve, now))
    with recorded(session, capsule.client_id, told) as change:
        change.touches("capsule", id)
        return Capsules(session).change(id, lambda before: now)


def let_capsule_go(session: Session, id: str) -> int | None:
    """Lets a capsule go. The number of the change."""
    capsule = Capsules(session).get(id)
    Jobs(session).call_off([id])
    with recorded(session, capsule.client_id, f"let the capsule '{capsule.name}' go") as change:
        change.touches("capsule", id)
        Capsules(session).remove(id)
    return change.number


@dataclass(frozen=True, slots=True)
class ShownCapsule:
    """A capsule as it is shown, with the job that chooses it."""

    capsule: KeptCapsule
    choosing: float | None
    """How far the choosing is, 0..1; None when nothing is being chosen."""
    gone: tuple[str, ...]
    """Ids of its pieces that hang there no more."""


def shown_capsule(session: Session, id: str) -> ShownCapsule:
    """A capsule as it is shown."""
    capsule = Capsules(session).get(id)
    job = Jobs(session).about(id)
    hung = {piece.id for piece in wardrobe_of(session, capsule.client_id).wardrobe.pieces}
    here = capsule.here
    gone = tuple(id for id in (*(() if here is None else here.piece_ids), *capsule.bag_ids) if id not in hung)
    return ShownCapsule(capsule, None if job is None else job.done or 0.0, gone)


def capsule_out(session: Session, id: str) -> tuple[str, CapsuleDocument]:
    """A capsule in the open format, and its name. Refused while nothing is chosen."""
    capsule = Capsules(session).get(id)
    if capsule.here is None:
        raise Refused("nothing is chosen yet.", capsule.name, "Wait until the pieces stand there.")
    return capsule.name, CapsuleDocument.from_core(capsule.here)


def capsule_in(session: Session, client_id: str, content: bytes, file: str) -> KeptCapsule:
    """Keeps a capsule of a file. What its pieces carry is counted anew on the rail as it hangs; where that is the rail it was
    chosen of, its bound holds as well. Refused, naming it, when a piece is not on the rail."""
    Clients(session).get(client_id)
    document = parse(CapsuleDocument, json_content(content, file), file)
    ids = tuple(dict.fromkeys(document.pieces))
    _number(len(ids))
    wardrobe = wardrobe_of(session, client_id).wardrobe
    missing = next((id for id in ids if id not in wardrobe.by_id), None)
    if missing is not None:
        raise Refused("this piece is not on the client's rail.", missing[:80], f"Take it out of {file}.")
    good = good_looks(wardrobe)
    told = capsule_of(good, ids)
    if document.of == told.of:
        told = replace(told, bound=max(min(told.bound, document.bound), told.looks))
    name = file.rsplit(".", 1)[0].replace("_", " ").strip()[:200] or "Capsule"
    now = datetime.now(UTC)
    capsule = KeptCapsule(uuid4().hex, client_id, name, now, CapsuleWish(), len(ids), (told,), chosen_at=now)
    capsule = replace(capsule, bag_ids=_bags(wardrobe, good, capsule.curve, capsule))
    with recorded(session, client_id, f"read the capsule '{name}' from a file") as change:
        change.touches("capsule", capsule.id)
        Capsules(session).add(capsule)
    return capsule
