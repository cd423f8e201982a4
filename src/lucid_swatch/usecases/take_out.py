"""Everything that is kept about a client, as one archive of open files."""

import json
from dataclasses import asdict

from sqlalchemy.orm import Session

from lucid_swatch.files.archive import pack
from lucid_swatch.formats.client import About, ClientDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.trials import Comparisons, Trials

from .palettes import palette_of
from .rail_out import PHOTOS, RAIL, file_name, rail_json


def client_archive(session: Session, folder: Folder, client_id: str) -> tuple[bytes, str]:
    """A zip with the client, the rail, the looks and the palettes as JSON, and every photo; and a name for the file."""
    client = Clients(session).get(client_id)
    trials, compared = Trials(session).of_client(client_id), Comparisons(session).of_client(client_id)
    document = ClientDocument(
        id=client.id, name=client.name, note=client.note, consent_on=client.consent_on, consent_for=client.consent_for,
        consent_withdrawn_on=client.consent_withdrawn_on, about=About.model_validate(client.about),
        faces=[asdict(face) for face in client.faces], trials=[asdict(trial) for trial in trials],
        side_by_side=[asdict(one) for one in compared],
    )  # fmt: skip
    looks = [
        {"id": look.id, "name": look.name, "intent": look.intent, "pieces": list(look.piece_ids), "kept": look.kept}
        for look in Looks(session).of_client(client_id)
    ]
    palettes = [
        palette_of(one).model_dump(mode="json") | {"within": one.within}
        for one in Palettes(session).of_client(client_id)
    ]
    files = {
        "client.json": document.model_dump_json(indent=1).encode(), RAIL: rail_json(session, client_id).encode(),
        "looks.json": json.dumps(looks, indent=1).encode(), "palettes.json": json.dumps(palettes, indent=1).encode(),
    }  # fmt: skip
    for photo in Photos(session).of_client(client_id):
        path = folder.photo(photo.file)
        if path.is_file():
            files[PHOTOS + photo.file] = path.read_bytes()
    for face in client.faces:
        if folder.has_picture(face.id, "as-sent"):
            files[f"portraits/{face.id}.jpg"] = folder.picture(face.id, "as-sent").read_bytes()
    for look in looks:
        if folder.has_picture(str(look["id"]), "as-sent"):
            files[f"worn/{look['id']}.jpg"] = folder.picture(str(look["id"]), "as-sent").read_bytes()
    for compared_photo in ComparedPhotos(session).of_client(client_id):
        if folder.has_picture(compared_photo.id, "as-sent"):
            files[f"compared/{compared_photo.id}.jpg"] = folder.picture(compared_photo.id, "as-sent").read_bytes()
    return pack(files), f"{file_name(client.name)}.zip"
