"""A photo of a look as it was worn."""

from dataclasses import replace
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.look.worn_photo import shows_the_feet
from lucid_swatch.core.problems import NotThere
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.formats.kept_look import KeptLookDocument, WornPhoto
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.records import KeptLook

from .clients import check_consent

PICTURE, ORIGINAL = "worn.jpg", "as-sent"
SIDE = 1280
"""Long side of the picture that is shown."""


def add_worn_photo(
    session: Session, folder: Folder, cut_out: CutOut, look_id: str, content: bytes, name: str
) -> KeptLook:
    """Keeps a photo of a look as it was worn, without its metadata, in the place of an earlier one, and sees whether the
    shoes are in it.

    Refused when it is no photo or the client has withdrawn consent."""
    kept = Looks(session).get(look_id)
    check_consent(Clients(session).get(kept.client_id))
    stripped, _ = strip_metadata(content, name)
    photo = decode_photo(stripped, name, SIDE)
    folder.keep_picture(look_id, ORIGINAL, stripped)
    folder.keep_picture(look_id, PICTURE, jpeg(photo.srgb))
    before = KeptLookDocument.model_validate(kept.kept).photo
    now = datetime.now(UTC)
    shown = WornPhoto(
        number=1 + (before.number if before else 0), feet=shows_the_feet(cut_out(photo.srgb)), on=now.date()
    )
    return _write(session, kept, shown)


def remove_worn_photo(session: Session, folder: Folder, look_id: str) -> KeptLook:
    """Removes the photo of a look. NotThere when there is none."""
    kept = Looks(session).get(look_id)
    if KeptLookDocument.model_validate(kept.kept).photo is None:
        raise NotThere("this look has no photo.", kept.name, "Load the page again.")
    kept = _write(session, kept, None)
    folder.remove_pictures(look_id)
    return kept


def _write(session: Session, kept: KeptLook, photo: WornPhoto | None) -> KeptLook:
    told = KeptLookDocument.model_validate(kept.kept).model_copy(update={"photo": photo})
    kept = replace(kept, kept=told.model_dump(mode="json", exclude_defaults=True, by_alias=True))
    Looks(session).change(kept)
    return kept
