"""Looks."""

from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.core.look.kept_look import KeptLook, LookParticulars
from lucid_swatch.core.look.seen.lights import seen_lights
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.formats.look import ConventionsDocument
from lucid_swatch.formats.verdict import MendDocument, carried_document, measures_document, mend_document
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.usecases.looks import (
    change_look,
    colours_missing,
    dismiss,
    judge_pieces,
    keep_look,
    let_look_go,
    overall_of,
)
from lucid_swatch.usecases.wardrobe import Setting
from lucid_swatch.usecases.worn import PICTURE, add_worn_photo, remove_worn_photo

from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.changes import LetGoAnswer
from .documents.looks import (
    BandAnswer,
    DismissRequest,
    EffectAnswer,
    HeldBackAnswer,
    JudgedAnswer,
    JudgeRequest,
    LightAnswer,
    LookAnswer,
    LookRequest,
    NoteAnswer,
    StitchAnswer,
    look_answer,
)

router = APIRouter(tags=["looks"])


@router.post("/clients/{client_id}/judge")
def judge(session: ReadSession, client_id: Id, asked: JudgeRequest) -> JudgedAnswer:
    """The verdict on some pieces, and what every other piece would do to it."""
    judged = judge_pieces(session, client_id, tuple(asked.pieces), asked.intent, setting_of(asked))
    effects = {id: EffectAnswer(change=e.change, pieces=list(e.pieces)) for id, e in judged.effects.items()}
    stitches = [StitchAnswer(first=s.first, second=s.second, competes=s.competes, code=s.code) for s in judged.stitches]
    return JudgedAnswer(
        intent=judged.verdict.intent,
        overall=judged.verdict.overall,
        measures=measures_document(judged.verdict),
        mends=[mend_document(mend) for mend in judged.mends],
        effects=effects,
        stitches=stitches,
        band=None if judged.band is None else BandAnswer(dark=judged.band[0], light=judged.band[1]),
        held_back=[
            HeldBackAnswer(measure=h.measure, text=h.text, pieces=list(h.pieces), costs=h.costs, lost=h.lost)
            for h in judged.held_back
        ],
        notes=[NoteAnswer(key=n.key, text=n.text, pieces=list(n.pieces)) for n in judged.notes],
        weights=judged.verdict.weights,
        conventions=ConventionsDocument.from_core(judged.conventions),
        overall_as_scored=judged.verdict.overall_as_scored,
        theme=None
        if asked.theme is None or judged.carried is None
        else carried_document(asked.theme.to_core(), judged.carried),
    )


@router.post("/clients/{client_id}/missing-colours")
def list_missing_colours(session: ReadSession, client_id: Id, asked: JudgeRequest) -> list[MendDocument]:
    """The colours in which a piece of a look would help most, whatever hangs on the rail."""
    found = colours_missing(session, client_id, tuple(asked.pieces), asked.intent, setting_of(asked))
    return [mend_document(mend) for mend in found]


def setting_of(asked: JudgeRequest) -> Setting:
    """How, when and on whom a look is worn, as it is asked about."""
    schools = None if asked.conventions is None else asked.conventions.to_core()
    meant = {one.code: one.note for one in asked.meant}
    theme = None if asked.theme is None else asked.theme.to_core()
    return Setting(asked.rain, asked.worn, asked.formality, asked.warmth, schools, asked.on, meant, theme)


@router.get("/lights")
def list_lights() -> list[LightAnswer]:
    """The lights that a look can be seen in."""
    return [
        LightAnswer(name=one.name, note=one.note, matrix=[[round(float(v), 5) for v in row] for row in one.matrix])
        for one in seen_lights()
    ]


@router.get("/clients/{client_id}/looks")
def list_looks(session: ReadSession, client_id: Id) -> list[LookAnswer]:
    """A client's kept looks, newest first, judged anew."""
    Clients(session).get(client_id)
    kept = Looks(session).of_client(client_id)
    overall = overall_of(session, client_id, kept)
    return [look_answer(look, overall[look.id]) for look in kept]


@router.post("/clients/{client_id}/looks", status_code=201)
def keep(context: InContext, client_id: Id, look: LookRequest) -> LookAnswer:
    """Keeps a look."""
    with context.sessions.begin() as session:
        kept = keep_look(session, client_id, look.name, tuple(look.pieces), look.intent, _told(look))
    return _answer_after(context, kept)


@router.put("/looks/{look_id}")
def write_look(context: InContext, look_id: Id, look: LookRequest) -> LookAnswer:
    """Writes a kept look again."""
    with context.sessions.begin() as session:
        kept = change_look(session, look_id, look.name, tuple(look.pieces), look.intent, _told(look))
    return _answer_after(context, kept)


@router.delete("/looks/{look_id}")
@in_one_change
def let_go(session: UnitOfWork, context: InContext, look_id: Id) -> LetGoAnswer:
    """Lets a look go, which can be taken back, with its photo, which cannot."""
    return LetGoAnswer(change=let_look_go(session, context.folder, look_id))


@router.post("/looks/{look_id}/photo", status_code=201)
def send_worn_photo(context: InContext, look_id: Id, photo: Annotated[UploadFile, File()]) -> LookAnswer:
    """Keeps a photo of a look as it was worn."""
    content, name = photo.file.read(MAX_BYTES + 1), photo.filename or "photo"
    kept = add_worn_photo(context.sessions, context.folder, context.queue, look_id, content, name)
    return _answer_after(context, kept)


@router.delete("/looks/{look_id}/photo")
@in_one_change
def take_worn_photo_away(session: UnitOfWork, context: InContext, look_id: Id) -> LookAnswer:
    """Removes the photo of a look."""
    return _answer(session, remove_worn_photo(session, context.folder, look_id))


@router.get("/looks/{look_id}/photo.jpg")
def worn_photo(session: ReadSession, context: InContext, look_id: Id) -> Response:
    """The photo of a look as it was worn."""
    headers = {"cache-control": "no-store"}  # no copy of a person stays in a browser
    return Response(
        context.folder.picture(Looks(session).get(look_id).id, PICTURE).read_bytes(),
        media_type="image/jpeg",
        headers=headers,
    )


@router.post("/clients/{client_id}/notes", status_code=204)
@in_one_change
def wave_away(session: UnitOfWork, client_id: Id, asked: DismissRequest) -> None:
    """Waves a note on a look away for this client, or lets it speak again."""
    dismiss(session, client_id, asked.key, asked.again)


def _told(look: LookRequest) -> LookParticulars | None:
    return None if look.kept is None else look.kept.to_core()


def _answer_after(context: Context, look: KeptLook) -> LookAnswer:
    """A look that was just written; nobody waits for its verdict with the pen in hand."""
    with context.sessions() as session:
        return _answer(session, look)


def _answer(session: Session, look: KeptLook) -> LookAnswer:
    return look_answer(look, overall_of(session, look.client_id, [look])[look.id])
