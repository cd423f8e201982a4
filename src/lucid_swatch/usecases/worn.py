"""A photo of a look as it was worn."""

from dataclasses import replace
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.look.kept_look import KeptLook, WornPhoto
from lucid_swatch.core.look.seen.worn_photo import shows_the_feet
from lucid_swatch.core.problems import NotThere
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.going import Going
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.wears import Wears

from .clients import check_consent
from .eyes import Eyes, Sight
from .wear_log import ToLog, log

PICTURE, ORIGINAL = "worn.jpg", "as-sent"
SIDE = 1280
"""Long side of the picture that is shown."""


def add_worn_photo(sessions: Sessions, folder: Folder, eyes: Eyes, look_id: str, content: bytes, name: str) -> KeptLook:
    """Keeps a photo of a look as it was worn, without its metadata, in the place of an earlier one, sees whether the shoes
    are in it, and writes into the log that it was worn today.

    Refused when it is no photo or the client has withdrawn consent."""
    with sessions() as session:
        client_id = Looks(session).get(look_id).client_id
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_consent(Clients(session).get(client_id))
        stripped, picture, feet = eyes.see(worn_reading, content, name)
        with sessions.begin() as session:
            kept = Looks(session).get(look_id)
            check_consent(Clients(session).get(client_id))
            Going(session, folder).stays(look_id)
            folder.keep_original(look_id, client_id, ORIGINAL, stripped)
            folder.keep_picture(look_id, PICTURE, picture)
            before = kept.particulars.photo
            number = 1 + (before.number if before else 0)
            today = datetime.now(UTC).date()
            if not any(wear.look_id == look_id for wear in Wears(session).between(client_id, today, today)):
                log(session, client_id, ToLog(today, kept.piece_ids, look_id))
            return _write(session, kept, WornPhoto(number=number, feet=feet, on=today))


def worn_reading(sight: Sight, content: bytes, name: str) -> tuple[bytes, bytes, bool]:
    """A sent photo without its metadata, as it is shown, and whether the feet are in it. Refused when it is none."""
    stripped, _ = strip_metadata(content, name)
    photo = decode_photo(stripped, name, SIDE)
    return stripped, jpeg(photo.srgb), shows_the_feet(sight.cut_out(photo.srgb))


def remove_worn_photo(session: Session, folder: Folder, look_id: str) -> KeptLook:
    """Removes the photo of a look. NotThere when there is none."""
    kept = Looks(session).get(look_id)
    if kept.particulars.photo is None:
        raise NotThere("this look has no photo.", kept.name, "Load the page again.")
    kept = _write(session, kept, None)
    Going(session, folder).pictures(look_id)
    return kept


def _write(session: Session, kept: KeptLook, photo: WornPhoto | None) -> KeptLook:
    shown = replace(kept, particulars=replace(kept.particulars, photo=photo))
    return Looks(session).change(kept.id, lambda before: shown)
