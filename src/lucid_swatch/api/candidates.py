"""Before buying: candidates, what is said of them, and what is missing."""

from typing import Annotated

from fastapi import APIRouter, File, Query, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.buying.candidate import Candidate, Source
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.files.shopping_card import Card, card_pdf, card_png
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.usecases.buying import answer, judge, map_of, missing, missing_pair, shopping_card, together
from lucid_swatch.usecases.candidates import (
    Weighed,
    add_candidate,
    add_pictures,
    buy,
    change_candidate,
    let_candidate_go,
    seen_change,
    weighed,
    wish_list,
)
from lucid_swatch.usecases.guesses import guesses_of
from lucid_swatch.usecases.rail import hanging
from lucid_swatch.usecases.reader import read_goods
from lucid_swatch.usecases.ways import studio_ways

from .context import Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.candidates import (
    CandidateAnswer,
    CandidateChange,
    CandidateRequest,
    ConsideredAnswer,
    GapAnswer,
    GoodsRequest,
    MapAnswer,
    PairAnswer,
    PairRequest,
    TogetherAnswer,
    candidate_answer,
    considered_answer,
    map_answer,
    one_gap_answer,
    pair_answer,
    together_answer,
)
from .documents.photos import TakenAnswer, photo_answer, taken_answer
from .documents.rail import PieceAnswer, piece_answers
from .photos import MOST_AT_ONCE
from .rail import answer_pieces

router = APIRouter(tags=["before buying"])


@router.get("/clients/{client_id}/candidates")
def list_candidates(session: ReadSession, context: InContext, client_id: Id) -> list[CandidateAnswer]:
    """A client's candidates, the newest first. Whoever looks at them will soon send a photo of one."""
    context.queue.make_ready()
    return _answers(session, client_id, wish_list(session, client_id))


@router.post("/clients/{client_id}/candidates", status_code=201)
@in_one_change
def note_candidate(session: UnitOfWork, client_id: Id, asked: CandidateRequest) -> CandidateAnswer:
    """Notes a candidate by its colour, set by eye or told by a gap."""
    kept = add_candidate(
        session, client_id, asked.source, asked.word.to_word(), _labs(asked.colours), asked.uncertainty, asked.seen_at
    )
    return _answer(session, kept)


@router.post("/clients/{client_id}/candidates/pictures", status_code=201)
def add_candidate_pictures(
    context: InContext,
    client_id: Id,
    pictures: Annotated[list[UploadFile], File()],
    off_a_screen: Annotated[bool, Query()] = False,
) -> list[TakenAnswer]:
    """Notes a candidate for every photo, or picture off a screen, and lets it be read."""
    if len(pictures) > MOST_AT_ONCE:
        raise Refused(f"{len(pictures)} pictures came at once.", "pictures", f"Send up to {MOST_AT_ONCE} at a time.")
    sent = ((one.filename or "picture", one.file.read(MAX_BYTES + 1)) for one in pictures)
    source = Source.SCREEN if off_a_screen else Source.PHOTO
    taken = add_pictures(context.sessions, context.folder, context.queue, client_id, sent, source)
    for one in taken:
        if one.photo is not None:
            context.queue.add(one.photo.id)
    return [taken_answer(one) for one in taken]


@router.post("/clients/{client_id}/candidates/reader", status_code=201)
def read_candidate(context: InContext, client_id: Id, asked: GoodsRequest) -> CandidateAnswer:
    """Notes a candidate by the colour that the reader reads on its cloth."""
    lab = read_goods(context.reader, context.hand)
    with context.sessions.begin() as session:
        return _answer(session, add_candidate(session, client_id, Source.READER, asked.word.to_word(), [lab]))


@router.put("/candidates/{candidate_id}")
@in_one_change
def say_of_candidate(session: UnitOfWork, candidate_id: Id, said: CandidateChange) -> CandidateAnswer:
    """Writes what the stylist says of a candidate."""
    colours = None if said.colours is None else _labs(said.colours)
    return _answer(
        session, change_candidate(session, candidate_id, said.word.to_word(), said.kept, said.seen_at, colours)
    )


@router.delete("/candidates/{candidate_id}", status_code=204)
@in_one_change
def let_go_of_candidate(session: UnitOfWork, context: InContext, candidate_id: Id) -> None:
    """Lets a candidate go; nothing of it is left."""
    let_candidate_go(session, context.folder, candidate_id)


@router.post("/candidates/{candidate_id}/buy", status_code=201)
@in_one_change
def buy_candidate(session: UnitOfWork, candidate_id: Id) -> PieceAnswer:
    """Hangs a candidate on the rail with all that is known of it."""
    return answer_pieces(session, [buy(session, candidate_id)])[0]


@router.post("/candidates/{candidate_id}/judge")
@in_one_change
def judge_candidate(session: UnitOfWork, candidate_id: Id) -> ConsideredAnswer:
    """What is said of a candidate as the rail, the client and the school are now; it is noted, so that a change is told."""
    return considered_answer(judge(session, candidate_id))


@router.post("/candidates/{candidate_id}/seen")
@in_one_change
def see_change(session: UnitOfWork, candidate_id: Id) -> CandidateAnswer:
    """The stylist has seen that another word is said of a candidate now."""
    return _answer(session, seen_change(session, candidate_id))


@router.get("/clients/{client_id}/candidates/together")
def tell_together(session: ReadSession, client_id: Id, one: str, other: str) -> TogetherAnswer:
    """What two candidates open, alone and together."""
    return together_answer(together(session, client_id, one, other))


@router.get("/clients/{client_id}/gaps")
def tell_gaps(
    session: ReadSession, client_id: Id, kinds: Annotated[list[Category], Query(min_length=1, max_length=4)]
) -> list[GapAnswer]:
    """What is missing of some kinds, most opening first: a few kinds at a time, so that the first are told at once."""
    return [one_gap_answer(one) for one in missing(session, client_id, kinds)]


@router.post("/clients/{client_id}/gaps/pair")
def tell_pair(session: ReadSession, client_id: Id, asked: PairRequest) -> PairAnswer | None:
    """The two pieces that open together most of what neither opens alone."""
    found = missing_pair(session, client_id, [gap.to_core() for gap in asked.gaps])
    return None if found is None else pair_answer(found)


@router.get("/clients/{client_id}/map")
def show_map(session: ReadSession, client_id: Id) -> MapAnswer:
    """Where the colours of a rail lie, among those that the client may wear."""
    return map_answer(map_of(session, client_id))


@router.get("/candidates/{candidate_id}/card.pdf")
def print_card(session: ReadSession, candidate_id: Id) -> Response:
    """What to look for in shops, as a card to print."""
    return _file(card_pdf(_card(session, candidate_id)), "application/pdf", "to-look-for.pdf")


@router.get("/candidates/{candidate_id}/card.png")
def picture_card(session: ReadSession, candidate_id: Id) -> Response:
    """The same as a small picture for a telephone."""
    return _file(card_png(_card(session, candidate_id)), "image/png", "to-look-for.png")


def _card(session: Session, id: str) -> Card:
    return shopping_card(answer(session, id))


def _file(content: bytes, kind: str, name: str) -> Response:
    return Response(content, media_type=kind, headers={"content-disposition": f'attachment; filename="{name}"'})


def _labs(colours: list[list[float]]) -> list[tuple[float, float, float]]:
    return [(lightness, a, b) for lightness, a, b in colours]


def _answer(session: Session, candidate: Candidate) -> CandidateAnswer:
    return _answers(session, candidate.client_id, [weighed(session, candidate)])[0]


def _answers(session: Session, client_id: str, found: list[Weighed]) -> list[CandidateAnswer]:
    client, ways = Clients(session).get(client_id), studio_ways(session)
    hung = [one.hung for one in found if one.hung is not None]
    pieces = {one.id: one for one in piece_answers(hanging(client, hung, ways), {}, {})}
    photos = [one.photo for one in found if one.photo is not None]
    guesses, jobs = guesses_of(session, photos), {job.about: job for job in Jobs(session).of_client(client_id)}
    said = {one.id for one in Candidates(session).of_client(client_id) if one.word.category is not None}
    return [
        candidate_answer(
            one,
            None
            if one.photo is None
            else photo_answer(
                one.photo,
                jobs[one.photo.id].stage if one.photo.id in jobs else "",
                guesses=guesses.get(one.photo.id, ()),
            ),
            pieces.get(one.candidate.id),
            one.candidate.id in said,
        )
        for one in found
    ]
