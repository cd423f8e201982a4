"""The demo database: made by measuring the sample photos for real, never by writing values in."""

import json
import os
import shutil
import tempfile
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from itertools import pairwise
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.core.client.reading import Veil
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.buying.candidate import Source
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.client import AboutDocument
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import FILE, Sessions, open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.records import SideKind
from lucid_swatch.store.walls import Walls
from lucid_swatch.usecases.buying import judge
from lucid_swatch.usecases.candidates import add_pictures, change_candidate
from lucid_swatch.usecases.clients import add_client, write_about
from lucid_swatch.usecases.compared_photos import add_compared_photo
from lucid_swatch.usecases.eyes import OwnEyes, Sight
from lucid_swatch.usecases.faces import add_portrait, change_veils
from lucid_swatch.usecases.intake import relight, take_in
from lucid_swatch.usecases.looks import keep_look
from lucid_swatch.usecases.rail import change_pieces, hang_photo
from lucid_swatch.usecases.side_by_side import keep_side_by_side
from lucid_swatch.usecases.walls import begin_wall, keep_on_wall, make_wall
from lucid_swatch.work.queue import WorkQueue

from .days import keep_days
from .observer import hold_drapes
from .samples import TRUTH, make_samples
from .scenario import SampleCandidate, SampleClient, SampleWall
from .wardrobe import CLIENTS, SAMPLES

Progress = Callable[[str], None]


def build_demo(folder: Path, progress: Progress = lambda text: None, workers: int = 2) -> None:
    """Makes the demo in a folder, unless it is there. It appears whole or not at all.

    Refused when the folder holds something else or cannot be written."""
    if (folder / FILE).is_file():
        return
    if folder.exists() and any(folder.iterdir()):
        raise Refused(
            "the demo folder holds other files.", str(folder), "Empty it or set LUCID_SWATCH_DEMO_DATA to another."
        )
    try:
        folder.parent.mkdir(parents=True, exist_ok=True)
        making = Path(tempfile.mkdtemp(dir=folder.parent, prefix=".lucid-swatch-demo-"))
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(
            f"the demo cannot be made ({reason}).",
            str(folder),
            "Set LUCID_SWATCH_DEMO_DATA to a folder that can be written.",
        ) from None
    try:
        _fill(making, progress, workers)
        _put_in_place(making, folder)
    finally:
        shutil.rmtree(making, ignore_errors=True)


def _put_in_place(making: Path, folder: Path) -> None:
    try:
        if folder.exists():
            folder.rmdir()
        os.replace(making, folder)
    except OSError:
        # somebody else finished one in the meantime: theirs stays
        if not (folder / FILE).is_file():
            raise


def _fill(path: Path, progress: Progress, workers: int) -> None:
    samples, folder = path / "samples", Folder(path)
    make_samples(samples, lambda done, of: progress(f"photographing the sample wardrobe: {done} of {of}"), workers)
    sessions, network = open_database(path), SalientObjectNetwork()
    photo_ids: dict[str, str] = {}
    for client in CLIENTS:
        photo_ids |= _bring_in(sessions, folder, network, samples, client)
    _help_the_reading(sessions, samples, photo_ids)
    queue = WorkQueue(sessions, path, workers)
    try:
        for done, future in enumerate([queue.add(id) for id in photo_ids.values()], start=1):
            future.result()
            progress(f"measuring the sample wardrobe: {done} of {len(photo_ids)}")
        queue.rest()  # what is read again in the light of its room
    finally:
        queue.stop()
    progress("hanging the rails and holding the drapes")
    for client in CLIENTS:
        _hang_and_keep(sessions, client, photo_ids)
    sessions.scrub()
    sessions.close()


def _bring_in(
    sessions: Sessions, folder: Folder, network: SalientObjectNetwork, samples: Path, client: SampleClient
) -> dict[str, str]:
    """A client with portraits, photos to compare, and photos that wait to be read; the ids of the photos by file."""
    eyes = OwnEyes(Sight(network, FaceCascade()))
    with sessions.begin() as session:
        today = datetime.now(UTC).date()
        kept = add_client(session, client.name, today, client.note, client.consent_for)
    for portrait in client.portraits:
        face = add_portrait(sessions, folder, eyes, kept.id, (samples / portrait.file).read_bytes(), portrait.file)
        if portrait.veils:
            with sessions.begin() as session:
                change_veils(session, face.id, frozenset(Veil(v) for v in portrait.veils))
    photos = [
        add_compared_photo(sessions, folder, eyes, kept.id, (samples / one.file).read_bytes(), one.file)
        for one in client.compared
    ]
    with sessions.begin() as session:
        for left, right in pairwise((SideKind.PHOTO, photo.id) for photo in photos):
            keep_side_by_side(session, kept.id, left, right, "right", "the eyes are seen before the cloth")
    sent = [(s.file, (samples / s.file).read_bytes()) for s in client.samples]
    taken = take_in(sessions, folder, eyes, kept.id, sent)
    for one in client.candidates:
        picture = [(one.sample.file, (samples / one.sample.file).read_bytes())]
        source = Source.SCREEN if one.off_a_screen else Source.PHOTO
        taken += add_pictures(sessions, folder, eyes, kept.id, picture, source)
    return {t.name: t.photo.id for t in taken if t.photo is not None}


def _help_the_reading(sessions: Sessions, samples: Path, photo_ids: dict[str, str]) -> None:
    """Taps the white card where one lies in the photo, as a stylist would."""
    truths = {t["file"]: t for t in json.loads((samples / TRUTH).read_text(encoding="utf-8"))}
    for sample in (s for s in SAMPLES if s.hung):
        neutral = truths[sample.file]["neutral"]
        with sessions.begin() as session:
            if neutral:
                relight(session, photo_ids[sample.file], NeutralPoint(**neutral))


def _hang_and_keep(sessions: Sessions, client: SampleClient, photo_ids: dict[str, str]) -> None:
    with sessions() as session:
        client_id = next(kept.id for kept in Clients(session).all() if kept.name == client.name)
    pieces: dict[str, str] = {}
    now = datetime.now(UTC)
    hung = [sample for sample in client.samples if sample.hung]
    for sample in sorted(hung, key=lambda one: one.file in client.newest):
        at = now if sample.file in client.newest else now - BETWEEN_VISITS
        with sessions.begin() as session:
            pieces[sample.file] = hang_photo(session, photo_ids[sample.file], sample.word, at).piece.id
    for file, kept in client.kept.items():
        with sessions.begin() as session:
            change_pieces(session, client_id, [pieces[file]], Word(), ParticularsDocument.model_validate(kept))
    for look in client.looks:
        with sessions.begin() as session:
            keep_look(session, client_id, look.name, tuple(pieces[file] for file in look.pieces), look.intent)
    with sessions.begin() as session:
        write_about(session, client_id, AboutDocument.model_validate(client.about).to_core())
        if client.trial:
            hold_drapes(session, client_id, client.sitter, OBSERVER)
    for one in client.candidates:
        with sessions.begin() as session:
            _note(session, photo_ids[one.sample.file], one)
    for wall in client.walls:
        _make(sessions, client_id, wall, pieces)
    keep_days(sessions, client_id, client, pieces)


def _note(session: Session, photo_id: str, sample: SampleCandidate) -> None:
    """What the stylist notes in the shop, and what is said of it that day."""
    candidate = Candidates(session).of_photo(photo_id)
    assert candidate is not None
    told = ParticularsDocument.model_validate({"price": sample.price, "size": sample.size})
    change_candidate(session, candidate.id, sample.sample.word, told, sample.seen_at)
    judge(session, candidate.id)


def _make(sessions: Sessions, client_id: str, sample: SampleWall, pieces: dict[str, str]) -> None:
    """A wall as a stylist would leave it: made, and the best of it kept."""
    wanted = Wanted(
        sample.number,
        tuple(pieces[file] for file in sample.start),
        Share.EVEN if len(sample.start) > 1 else Share.ONE,
        sample.formality,
        sample.warmth,
        time=sample.time,
    )
    with sessions.begin() as session:
        wall = begin_wall(session, client_id, sample.name, wanted).id
    make_wall(sessions, wall)
    with sessions() as session:
        looks = Walls(session).get(wall).looks
    for look in looks[: sample.kept]:
        with sessions.begin() as session:
            keep_on_wall(session, wall, look.id, True)


BETWEEN_VISITS = timedelta(days=58)
"""How long ago the rails of the demo were begun."""
OBSERVER = 3
"""Seed of the made-up observer."""
