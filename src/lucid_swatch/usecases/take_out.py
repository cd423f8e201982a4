"""Everything that is kept about a client, as one archive of open files."""

import json
from itertools import chain
from typing import IO, Any

from sqlalchemy.orm import Session

from lucid_swatch.core.look.kept_look import KeptLook
from lucid_swatch.files.archive import pack
from lucid_swatch.formats.client import AboutDocument, ClientDocument
from lucid_swatch.formats.look_particulars import LookParticularsDocument
from lucid_swatch.store.book import Book
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.faces import Faces
from lucid_swatch.store.folder import PICTURES, Folder
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.store.walls import Walls
from lucid_swatch.store.wears import Wears

from .faces import ORIGINAL
from .palettes import palette_of
from .rail_out import PHOTOS, RAIL, contents, file_name, rail_json


def archive_name(session: Session, client_id: str) -> str:
    """What to call the archive of a client."""
    return f"{file_name(Clients(session).get(client_id).name)}.zip"


def write_client_archive(session: Session, folder: Folder, client_id: str, out: IO[bytes]) -> None:
    """Writes a zip with the client, the rail, the looks, the walls, the plans, the log and all else
    that is kept as JSON, and every photo."""
    client = Clients(session).get(client_id)
    trials, compared = Trials(session).of_client(client_id), Comparisons(session).of_client(client_id)
    document = ClientDocument(
        id=client.id,
        name=client.name,
        note=client.note,
        consent_on=client.consent_on,
        consent_for=client.consent_for,
        consent_withdrawn_on=client.consent_withdrawn_on,
        about=AboutDocument.from_core(client.about),
        faces=[Faces.values(face) for face in client.faces],
        trials=[Trials.values(trial) for trial in trials],
        side_by_side=[Comparisons.values(one) for one in compared],
    )
    kept = Looks(session).of_client(client_id)
    looks = [
        {"id": look.id, "name": look.name, "intent": look.intent, "pieces": list(look.piece_ids), "kept": _told(look)}
        for look in kept
    ]
    palettes = [
        palette_of(one).model_dump(mode="json") | {"within": one.within}
        for one in Palettes(session).of_client(client_id)
    ]
    documents = {
        "client.json": document.model_dump_json(indent=1).encode(),
        RAIL: rail_json(session, client_id).encode(),
        "looks.json": json.dumps(looks, indent=1).encode(),
        "walls.json": _values(Walls(session), client_id),
        "candidates.json": _values(Candidates(session), client_id),
        "capsules.json": _values(Capsules(session), client_id),
        "books.json": _values(LookBooks(session), client_id),
        "plans.json": _values(Plans(session), client_id),
        "wears.json": _values(Wears(session), client_id),
        "palettes.json": json.dumps(palettes, indent=1).encode(),
    }
    photos = {PHOTOS + photo.file: folder.photo(photo.file) for photo in Photos(session).of_client(client_id)}
    people = {
        "portraits": [face.id for face in client.faces],
        "worn": [look.id for look in kept],
        "compared": [photo.id for photo in ComparedPhotos(session).of_client(client_id)],
    }
    sent = {
        f"{place}/{one}.jpg": folder.path / PICTURES / one / ORIGINAL for place, some in people.items() for one in some
    }
    pack(chain(documents.items(), contents(photos | sent)), out)


def _values(book: Book[Any], client_id: str) -> bytes:
    """All values of a client's records as JSON."""
    return json.dumps([book.values(one) for one in book.of_client(client_id)], indent=1).encode()


def _told(look: KeptLook) -> dict[str, object]:
    document = LookParticularsDocument.from_core(look.particulars)
    return document.model_dump(mode="json", exclude_defaults=True, by_alias=True)
