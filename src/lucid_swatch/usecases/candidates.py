"""Pieces that may be bought: noted down, corrected, bought, or let go. None of them is on the rail."""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import Lab
from lucid_swatch.core.garment.word import Word, over
from lucid_swatch.core.look.buying.candidate import WITH_PICTURE, Candidate, Source, piece_of
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoRecord, PhotoState

from .changes import recorded
from .eyes import Eyes
from .guesses import guesses_of
from .intake import TakenIn, let_photo_go, take_in
from .rail import check_room, piece_in_photo

MOST = 200
"""Candidates of one client; nobody weighs more."""


@dataclass(frozen=True, slots=True)
class Weighed:
    """A candidate with what shows it."""

    candidate: Candidate
    photo: PhotoRecord | None
    hung: HungPiece | None
    """As it would hang; None while nobody knows what or of which colour it is."""


def add_pictures(
    sessions: Sessions,
    folder: Folder,
    eyes: Eyes,
    client_id: str,
    files: Iterable[tuple[str, bytes]],
    source: Source = Source.PHOTO,
) -> list[TakenIn]:
    """Notes a candidate for every photo, or picture off a screen, that can be read, and lets it be read.

    Refused when the client has withdrawn consent, and then nothing is kept."""
    if source not in WITH_PICTURE:
        raise ValueError(f"{source.value} comes without a picture")

    def noted(session: Session, photo: PhotoRecord) -> None:
        check_number(session, client_id)
        # a shop has a light of its own: its photos are no part of any room
        Photos(session).change(photo.id, lambda now: replace(now, room=photo.id))
        Candidates(session).add(Candidate(uuid4().hex, client_id, datetime.now(UTC), source, photo_id=photo.id))

    return take_in(sessions, folder, eyes, client_id, files, with_it=noted)


def add_candidate(
    session: Session,
    client_id: str,
    source: Source,
    word: Word,
    colours: Sequence[Lab],
    uncertainty: float | None = None,
    seen_at: str = "",
) -> Candidate:
    """Notes a candidate by its colours, the main one first. uncertainty: CIEDE2000 round them, where its source does not
    tell. Refused while nobody has said what it is or of which colour."""
    Clients(session).get(client_id)
    if source in WITH_PICTURE:
        raise Refused(f"a {source.value} was promised and none came.", "before buying", "Send the picture itself.")
    if word.category is None:
        raise Refused("nobody has said what it is.", "before buying", "Choose coat, trousers, shoes or whatever it is.")
    if not colours:
        raise Refused("nobody has said which colour it is.", "before buying", "Set one.")
    check_number(session, client_id)
    candidate = Candidate(
        uuid4().hex, client_id, datetime.now(UTC), source, word, None, tuple(colours), uncertainty, seen_at=seen_at
    )
    Candidates(session).add(candidate)
    return candidate


def check_number(session: Session, client_id: str) -> None:
    """Refused when there are as many candidates as can be."""
    if len(Candidates(session).of_client(client_id)) >= MOST:
        raise Refused(f"{MOST} pieces wait to be bought or let go.", "before buying", "Let some of them go first.")


def wish_list(session: Session, client_id: str) -> list[Weighed]:
    """A client's candidates, the newest first."""
    Clients(session).get(client_id)
    return [weighed(session, one) for one in Candidates(session).of_client(client_id)]


def weighed(session: Session, candidate: Candidate) -> Weighed:
    """A candidate with what shows it. Until the stylist says what it is, it is what its outline likely is."""
    photo = None if candidate.photo_id is None else Photos(session).get(candidate.photo_id)
    if photo is not None and candidate.word.category is None:
        guesses = guesses_of(session, [photo]).get(photo.id)
        if guesses:
            candidate = replace(candidate, word=replace(candidate.word, category=guesses[0].category))
    read, category = None, candidate.word.category
    if photo is not None and photo.reading is not None and category is not None:
        read = piece_in_photo(candidate.id, photo, photo.reading, category)
    piece = piece_of(candidate, read)
    number = 0 if photo is None else photo.reading_number
    hung = (
        None
        if piece is None
        else HungPiece(
            piece, candidate.client_id, candidate.created_at, candidate.photo_id, candidate.particulars, number
        )
    )
    return Weighed(candidate, photo, hung)


def candidates_as_hung(session: Session, client_id: str, ids: Collection[str]) -> dict[str, HungPiece]:
    """Some of a client's candidates as they would hang, by id; what is none, or is not known enough, is left out."""
    some = [one for one in Candidates(session).of_client(client_id) if one.id in ids] if ids else []
    return {one.id: hung for one in some if (hung := weighed(session, one).hung) is not None}


def to_be_judged(session: Session, id: str) -> tuple[Candidate, HungPiece]:
    """A candidate of which enough is known. Refused, saying what is missing, while it is not."""
    found = weighed(session, Candidates(session).get(id))
    if found.hung is not None:
        return found.candidate, found.hung
    if found.photo is not None and found.photo.reading is None:
        raise Refused(f"the picture is {found.photo.state.value}.", found.photo.name, "Wait until it is read.")
    raise Refused("nobody has said what it is.", "before buying", "Choose coat, trousers, shoes or whatever it is.")


def change_candidate(
    session: Session,
    id: str,
    word: Word | None = None,
    particulars: ParticularsDocument | None = None,
    seen_at: str | None = None,
    colours: Sequence[Lab] | None = None,
) -> Candidate:
    """Writes what the stylist says of a candidate over what she said before; one change to take back.

    colours: in the place of those before. Refused where a picture tells them."""
    candidate = Candidates(session).get(id)
    if colours is not None and candidate.photo_id is not None:
        raise Refused("the colour of this one comes from its picture.", "before buying", "Tap something white in it.")
    turned = replace(
        candidate,
        word=candidate.word if word is None else over(candidate.word, word),
        particulars=candidate.particulars if particulars is None else particulars.over(candidate.particulars),
        seen_at=candidate.seen_at if seen_at is None else seen_at,
        colours=candidate.colours if colours is None else tuple(colours),
    )
    with recorded(session, candidate.client_id, f"{_called(session, turned)}: noted before buying") as change:
        change.touches("candidate", id)
        return Candidates(session).change(id, lambda now: turned)


def buy(session: Session, id: str, on: date | None = None) -> HungPiece:
    """Hangs a candidate on the rail with all that is known of it. on: when it was bought; left out, today.

    Refused while it is not known what or of which colour it is."""
    candidate, hung = to_be_judged(session, id)
    check_room(session, candidate.client_id, 1)
    piece = replace(hung.piece, id=uuid4().hex)
    told = candidate.particulars
    seen = f"from {candidate.seen_at}" if candidate.seen_at else ""
    note = ". ".join(one for one in (told.note.rstrip("."), seen) if one)
    told = replace(told, bought_on=told.bought_on or on or datetime.now(UTC).date(), note=note)
    bought = replace(hung, piece=piece, created_at=datetime.now(UTC), particulars=told)
    with recorded(session, candidate.client_id, f"bought {piece.in_a_sentence}") as change:
        # taken back in this order: the photo has to be nobody's piece before it is the candidate's again
        change.touches("candidate", id)
        change.touches("piece", piece.id)
        if candidate.photo_id is not None:
            change.touches("photo", candidate.photo_id)
        Candidates(session).remove(id)
        Pieces(session).add(bought)
        if candidate.photo_id is not None:
            Photos(session).change(candidate.photo_id, lambda read: replace(read, state=PhotoState.HUNG))
    return bought


def let_candidate_go(session: Session, folder: Folder, id: str) -> None:
    """Lets a candidate go with its picture and all that was said of it: nothing of it is left, and nothing brings it back."""
    candidate = Candidates(session).get(id)
    Candidates(session).remove(id)
    Journal(session).forget(candidate.client_id, "candidate", id)
    if candidate.photo_id is not None:
        let_photo_go(session, folder, Photos(session).get(candidate.photo_id))


def seen_change(session: Session, id: str) -> Candidate:
    """The stylist has seen what is said of a candidate now."""
    return Candidates(session).change(id, lambda now: replace(now, before=None))


def another_candidate(session: Session, client_id: str, id: str) -> tuple[Candidate, HungPiece]:
    """A candidate of a client that is to be judged. NotThere when it is another client's."""
    candidate, hung = to_be_judged(session, id)
    if candidate.client_id != client_id:
        raise NotThere("there is no such candidate of this client.", id, "Load the page again.")
    return candidate, hung


def _called(session: Session, candidate: Candidate) -> str:
    found = weighed(session, candidate)
    return "a candidate" if found.hung is None else found.hung.piece.in_a_sentence
