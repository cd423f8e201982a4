"""Everything that is kept about a client, as one archive of open files."""

import io
import json
import zipfile
from dataclasses import asdict

from sqlalchemy.orm import Session

from lucid_swatch.formats.client import About, ClientDocument
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.trials import Comparisons, Trials


def client_archive(session: Session, folder: Folder, client_id: str) -> tuple[bytes, str]:
    """A zip with the client, the rail and the looks as JSON, and every photo; and a name for the file."""
    client = Clients(session).get(client_id)
    trials, compared = Trials(session).of_client(client_id), Comparisons(session).of_client(client_id)
    document = ClientDocument(
        id=client.id, name=client.name, note=client.note, consent_on=client.consent_on, consent_for=client.consent_for,
        consent_withdrawn_on=client.consent_withdrawn_on, about=About.model_validate(client.about),
        faces=[asdict(face) for face in client.faces], trials=[asdict(trial) for trial in trials],
        side_by_side=[asdict(one) for one in compared],
    )  # fmt: skip
    hung = Pieces(session).of_client(client_id)
    pieces = [PieceDocument.from_core(one.piece).model_dump(mode="json", exclude_none=True) for one in hung]
    rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": pieces}
    looks = [
        {"id": look.id, "name": look.name, "intent": look.intent, "pieces": list(look.piece_ids)}
        for look in Looks(session).of_client(client_id)
    ]
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("client.json", document.model_dump_json(indent=1))
        archive.writestr("rail.json", json.dumps(rail, indent=1))
        archive.writestr("looks.json", json.dumps(looks, indent=1))
        for photo in Photos(session).of_client(client_id):
            path = folder.photo(photo.file)
            if path.is_file():
                archive.writestr(f"photos/{photo.file}", path.read_bytes(), zipfile.ZIP_STORED)
        for face in client.faces:
            if folder.has_picture(face.id, "as-sent"):
                archive.writestr(f"portraits/{face.id}.jpg", folder.picture(face.id, "as-sent").read_bytes())
    name = "".join(letter if letter.isascii() and letter.isalnum() else "-" for letter in client.name.lower())
    return out.getvalue(), f"{name.strip('-') or 'client'}.zip"
