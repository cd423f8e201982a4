"""A book put together from what is kept, and made into files: a job that can be watched and stopped."""

import time
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.client.head import can_be_cut
from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.bolt import bolt_of
from lucid_swatch.core.look.book.book import Help, LookBook, Wearer
from lucid_swatch.core.look.book.kept_book import KeptBook, KeptPage, MadeAs, MadeFile
from lucid_swatch.core.look.book.page import BookLook, BookPage, BookStopped, Tell, book_page, book_pages
from lucid_swatch.core.look.book.plain_colouring import PlainColouring, plain_colouring
from lucid_swatch.core.look.buying.gaps import ASKED
from lucid_swatch.core.look.figure.body import Build
from lucid_swatch.core.look.kept_look import KeptLook
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.problems import NotThere, Problem, Refused
from lucid_swatch.files.book.layout import Paper
from lucid_swatch.files.pictures import read_with_opacity
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.records import ClientRecord, JobKind, JobState

from .book_files import book_file, boxes_told
from .book_pictures import book_pictures
from .books import page_in
from .buying import missing
from .faces import FACE, head_of
from .wardrobe import ClientWardrobe, wardrobe_of

HELPS = 4
"""Things that would help which a book names."""


@dataclass(frozen=True, slots=True)
class ShownBook:
    """A book as it is shown."""

    book: KeptBook
    making: float | None
    """How far its making is, 0..1; None when nothing is being made."""
    gone: tuple[str, ...]
    """Ids of pages of which nothing hangs there any more."""
    will_hold: str
    """Everything that its files will hold, in words."""


def shown_book(session: Session, id: str) -> ShownBook:
    """A book as it is shown."""
    book = LookBooks(session).get(id)
    job = Jobs(session).about(id)
    loaded, kept = wardrobe_of(session, book.client_id), _kept(session, book)
    hung = loaded.of_piece.keys()
    gone = tuple(page.id for page in book.pages if not set(_ids(page, kept)) & hung)
    will_hold = _will_hold(book, loaded, kept)
    return ShownBook(book, None if job is None else job.done or 0.0, gone, will_hold)


def _will_hold(book: KeptBook, loaded: ClientWardrobe, kept: dict[str, KeptLook]) -> str:
    """What goes out, before it goes out."""
    client, holds = loaded.client, book.holds
    worn = {id for page in book.shown for id in _ids(page, kept)} & loaded.of_piece.keys()
    photographed = sum(loaded.of_piece[id].photo_id is not None for id in worn)
    parts = [
        f"the name {client.name}" if holds.name else "",
        "the face of the portrait" if holds.face and client.portrait is not None else "",
        "the colours of skin, hair and eyes",
        f"{_count(len(book.shown), 'look')} of {_count(len(worn), 'piece')} with their names, "
        f"{photographed} cut out of their photos",
        "strips of cloth from the whole rail" if holds.cover else "",
        "the colouring in words and in named cloth of the rail" if holds.colouring else "",
        "what would help" if holds.helps else "",
        "your word" if book.word else "",
    ]
    whole = ", ".join(filter(None, parts))
    told = f"{whole[:1].upper()}{whole[1:]}. No place, no device, no price, no note and no other client."
    said = [book.title, book.word, client.name, *(loaded.of_piece[id].piece.called for id in worn)]
    for page in book.shown:
        said += [page.name, page.when, page.occasion, page.how or "", page.evening or "", page.why or ""]
    return " ".join(filter(None, (told, boxes_told(said))))


def _count(number: int, what: str) -> str:
    return f"1 {what}" if number == 1 else f"{number} {what}s"


def made_file(session: Session, folder: Folder, id: str, kind: MadeAs) -> tuple[str, bytes]:
    """A file that was made of a book, and the title. NotThere when it was not made, or is not there any more."""
    book = LookBooks(session).get(id)
    if not any(one.kind is kind for one in book.made) or not folder.has_picture(id, made_name(kind)):
        raise NotThere("this was not made yet.", book.title, "Make it.")
    return book.title, folder.picture(id, made_name(kind)).read_bytes()


def told_page(session: Session, id: str, page_id: str) -> tuple[BookPage, KeptPage]:
    """What a page says as things are now, and how it is kept. NotThere when the book has no such page."""
    book = LookBooks(session).get(id)
    page = page_in(book, page_id)
    loaded, kept = wardrobe_of(session, book.client_id), _kept(session, book)
    before = [one for one in book.pages if one.id == page_id or not one.left_out]
    looks = _book_looks(loaded, before[: before.index(page) + 1], kept)
    if not looks or looks[-1].id != page_id:
        raise Refused("no piece of this look hangs there any more.", page.name, "Leave the page out.")
    return book_page(looks, len(looks) - 1), page


def _kept(session: Session, book: KeptBook) -> dict[str, KeptLook]:
    return {look.id: look for look in Looks(session).of_client(book.client_id)}


def _ids(page: KeptPage, kept: dict[str, KeptLook]) -> tuple[str, ...]:
    return kept[page.look_id].piece_ids if page.look_id in kept else page.piece_ids


def _book_looks(loaded: ClientWardrobe, pages: Sequence[KeptPage], kept: dict[str, KeptLook]) -> list[BookLook]:
    """Pages as looks of the rail as it hangs; one of which nothing hangs there is left out."""
    found = []
    for page in pages:
        of = kept.get(page.look_id or "")
        ids = page.piece_ids if of is None else of.piece_ids
        there = tuple(id for id in ids if id in loaded.wardrobe.by_id)
        if not there:
            continue
        look = _look(loaded, page, there) if of is None else loaded.kept(replace(of, piece_ids=there))
        gone = ("a piece that was let go",) * (len(ids) > len(there))
        time = page.time if of is None else of.particulars.time
        found.append(
            BookLook(page.id, page.name, look, page.when, page.occasion, time, page.how, page.evening, page.why, gone)
        )
    return found


def _look(loaded: ClientWardrobe, page: KeptPage, there: tuple[str, ...]) -> Look:
    return loaded.wardrobe.look(page.id, there, page.intent, page.worn)


def ask_for_files(session: Session, id: str, kinds: Sequence[MadeAs]) -> KeptBook:
    """Asks for a book as files. Refused when all its pages are left out, or nothing is asked for."""
    book = LookBooks(session).get(id)
    if not book.shown:
        raise Refused("every page is left out.", book.title, "Take one in again.")
    if not kinds:
        raise Refused("nothing is asked for.", book.title, "Choose paper, a telephone or pictures.")
    book = LookBooks(session).change(id, lambda now: replace(now, asked=tuple(dict.fromkeys(kinds)), lack=""))
    Jobs(session).ask(book.client_id, JobKind.BOOK, id)
    return book


def stop_making_book(session: Session, id: str) -> KeptBook:
    """Calls the making off; files that are there stay."""
    Jobs(session).call_off([id])
    return LookBooks(session).change(id, lambda now: replace(now, asked=()))


def set_down_unmade_book(sessions: Sessions, id: str, problem: Problem) -> None:
    """Notes on a book why it could not be made, and ends the job."""
    _set_down(
        sessions,
        id,
        "The book could not be made: it took too long, or ended on the way. Leave pages out, or try again.",
    )


def _set_down(sessions: Sessions, id: str, told: str) -> None:
    with sessions.begin() as session:
        Jobs(session).call_off([id])
        LookBooks(session).change(id, lambda now: replace(now, asked=(), lack=told))


NOTED_EVERY = 0.3
"""Seconds between two notes of how far the making is."""


def make_book(sessions: Sessions, folder: Folder, id: str) -> None:
    """Makes the files that a book was asked for, one after the other, and ends the job; nothing when it was called off."""
    with sessions.begin() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        Jobs(session).change(job.id, lambda now: replace(now, state=JobState.UNDER_WAY, done=0.0))
        kept = LookBooks(session).get(id)
    begun, noted = datetime.now(UTC), 0.0

    def tell(share: float) -> bool:
        nonlocal noted
        if time.monotonic() - noted < NOTED_EVERY:
            return True
        noted = time.monotonic()
        with sessions.begin() as session:
            if not Jobs(session).is_asked(job.id):
                return False
            Jobs(session).change(job.id, lambda now: replace(now, done=share))
        return True

    try:
        book = bound(sessions, folder, kept, lambda share: tell(0.3 * share))
        made = []
        for k, kind in enumerate(kept.asked):
            part = 0.7 / len(kept.asked)
            content = book_file(book, kind, Paper[kept.paper.value], id, _part(tell, 0.3 + k * part, part))
            folder.keep_picture(id, made_name(kind), content)
            made.append(MadeFile(kind, begun, len(content)))
    except BookStopped:
        return
    except Refused as problem:
        _set_down(sessions, id, f"{problem.what[:1].upper()}{problem.what[1:]} {problem.do}")
        return
    with sessions.begin() as session:
        if not Jobs(session).is_asked(job.id):
            return
        Jobs(session).remove(job.id)
        kinds = {one.kind for one in made}
        LookBooks(session).change(
            id, lambda now: replace(now, asked=(), made=(*(m for m in now.made if m.kind not in kinds), *made))
        )


def _part(tell: Tell, start: float, length: float) -> Tell:
    return lambda share: tell(start + length * share)


def made_name(kind: MadeAs) -> str:
    """The name under which a file of a book is kept."""
    return f"book.{kind.value}"


def bound(sessions: Sessions, folder: Folder, kept: KeptBook, tell: Tell = lambda share: True) -> LookBook:
    """A book with everything that was chosen for it, and nothing else. Refused when no look of it is left."""
    with sessions() as session:
        loaded = wardrobe_of(session, kept.client_id)
        looks = _book_looks(loaded, kept.shown, _kept(session, kept))
        if not looks:
            raise Refused("no piece of these looks hangs there any more.", kept.title, "Begin another book.")
        pictures = book_pictures(session, folder, loaded.hung)
        helps = _helps(session, loaded) if kept.holds.helps else ()
        wearer = _wearer(session, folder, loaded.client, kept.holds.face)
    pages = book_pages(looks, tell)
    rail = tuple(as_seen(one.piece) for one in loaded.hung)
    shown = {piece.id for page in pages for piece in page.pieces}
    bolt = bolt_of(rail) if kept.holds.cover else ()
    colouring = _colouring(loaded.client, rail) if kept.holds.colouring else None
    there = shown | {piece.id for piece in (*bolt, *(() if colouring is None else colouring.cloths))}
    whom = f"for {loaded.client.name}" if kept.holds.name else ""
    by = f"by {kept.by}" if kept.by else ""
    return LookBook(
        kept.title,
        pages,
        wearer,
        {id: one for id, one in pictures.items() if id in there},
        ", ".join(filter(None, (whom, by))),
        kept.word,
        kept.holds.cover,
        bolt,
        colouring,
        kept.holds.index,
        helps,
    )


def _wearer(session: Session, folder: Folder, client: ClientRecord, face: bool) -> Wearer:
    whole = client.whole.client
    head = shown = None
    if face:
        portrait = client.portrait
        if portrait is not None and can_be_cut(portrait.spots.get("eyes", ())):
            head = read_with_opacity(head_of(session, folder, portrait.id))
        if portrait is not None and folder.has_picture(portrait.id, FACE):
            shown = read_with_opacity(folder.picture(portrait.id, FACE).read_bytes())[..., :3]
    return Wearer(Build(client.about.height, client.about.seated), whole.skin, whole.hair, whole.eyes, head, shown)


def _colouring(client: ClientRecord, rail: Sequence[Piece]) -> PlainColouring | None:
    counts = client.whole.counts
    return None if counts is None or not counts.undertone.known else plain_colouring(counts, rail)


def _helps(session: Session, loaded: ClientWardrobe) -> tuple[Help, ...]:
    found = missing(session, loaded.client.id, ASKED)[:HELPS] if loaded.wardrobe.everything else ()
    return tuple(Help(one.gap.name, one.gap.lab, one.gap.opens) for one in found)
