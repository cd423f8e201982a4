"""What of a client's photos goes into a book: the cloth of each piece, and the piece alone, cut out and relit."""

from collections.abc import Iterable

import numpy as np
from PIL import Image
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import ByteArray
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.vocabulary import PatternType
from lucid_swatch.core.look.book.book import PieceInPictures
from lucid_swatch.core.photo.light import relit
from lucid_swatch.files.pictures import resized, to_bytes_srgb
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.records import HungPiece

from .figures import CUT_OUT, InPhoto, in_photos
from .measure_photo import PhotoReading
from .reading_photos import SWATCH_SIDE, whole_cloth

CLOTH = "cloth.jpg"


def book_pictures(session: Session, folder: Folder, hung: Iterable[HungPiece]) -> dict[str, PieceInPictures]:
    """The pictures of some pieces, by id; a piece without a photo has none. Nothing of a photo but its pixels is taken."""
    some = [one for one in hung if one.photo_id is not None]
    cuts = in_photos(session, folder, some)
    return {
        one.piece.id: PieceInPictures(_cloth(folder, one), _cut_out(folder, cuts.get(one.piece.id))) for one in some
    }


def _cloth(folder: Folder, hung: HungPiece) -> ByteArray | None:
    owner = hung.photo_id or ""
    if not folder.has_picture(owner, CLOTH):
        return None
    with Image.open(folder.picture(owner, CLOTH)) as picture:
        return np.asarray(picture.convert("RGB"))


def _cut_out(folder: Folder, there: InPhoto | None) -> ByteArray | None:
    if there is None:
        return None
    with Image.open(folder.picture(there.photo_id, CUT_OUT)) as picture:
        whole = picture.convert("RGBA")
    wide, high = whole.size
    box = (round(there.left * wide), round(there.top * high), round(there.right * wide), round(there.bottom * high))
    return np.asarray(whole.crop(box))


def pictures_of_reading(reading: PhotoReading) -> PieceInPictures:
    """The same of a photo that was just read."""
    measured = reading.measurement
    light = relit(reading.photo.rgb_linear, measured.light)
    daylight, mask = to_bytes_srgb(light), reading.outline.mask
    lab, plain = rgb_linear_to_lab(light), measured.pattern.type is PatternType.SOLID
    window = whole_cloth(measured.palette.labels, lab, plain)
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    box = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    cut_out = np.dstack([daylight[box], mask[box].astype(np.uint8) * 255])
    return PieceInPictures(None if window is None else _narrowed(window.cut(daylight)), cut_out)


def _narrowed(cloth: ByteArray) -> ByteArray:
    width = min(SWATCH_SIDE, cloth.shape[1])
    return resized(cloth, width, max(1, round(width * cloth.shape[0] / cloth.shape[1])))
