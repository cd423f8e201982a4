"""What shows a piece that may be bought is not the client's yet."""

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.records import PhotoRecord


def check_not_for_sale(session: Session, photo: PhotoRecord) -> None:
    """Refused where a photo shows a piece that may be bought."""
    if Candidates(session).of_photo(photo.id) is not None:
        raise Refused(
            "this photo shows a piece that may be bought.", photo.name, "Buy it, or let it go, before buying."
        )
