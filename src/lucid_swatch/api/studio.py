"""What belongs to the whole studio: the reference card, the colour reader, the watched folder."""

from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.files.card_pdf import CardSize, card_pdf
from lucid_swatch.formats.card import CardDocument
from lucid_swatch.formats.document import json_content, parse
from lucid_swatch.usecases.reader import calibrate, card_document, forget_card, measure_patch, measured_card, take_card
from lucid_swatch.usecases.watch import Watched, stop_watching, watch, watched

from .context import Context, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.studio import PatchAnswer, StudioAnswer, WatchedAnswer, WatchRequest

router = APIRouter(tags=["studio"])
MAX_CARD = 1024 * 1024


@router.get("/studio")
def get_studio(session: ReadSession, context: InContext) -> StudioAnswer:
    """What is set up."""
    found = watched(session)
    folder = None if found is None else _watched(found)
    card = measured_card(session)
    return StudioAnswer(
        card=None if card is None else [[round(float(v), 1) for v in lab] for lab in card],
        reader=_reader_name(context),
        watched=folder,
    )


def _watched(found: Watched) -> WatchedAnswer:
    return WatchedAnswer(path=found.path, client_id=found.client_id, problem=found.problem)


def _reader_name(context: Context) -> str | None:
    try:
        return context.reader.name()
    except Problem:
        return None


@router.get("/card/{size}.pdf")
def get_card(size: CardSize) -> Response:
    """The reference card to print."""
    disposition = f'attachment; filename="reference-card-{size.value}.pdf"'
    return Response(card_pdf(size), media_type="application/pdf", headers={"content-disposition": disposition})


@router.post("/reader/calibrate", status_code=204)
def calibrate_reader(context: InContext) -> None:
    """Calibrates the colour reader on its white tile."""
    calibrate(context.reader, context.hand)


@router.post("/card/measure/{number}")
@in_one_change
def read_patch(session: UnitOfWork, context: InContext, number: int) -> PatchAnswer:
    """Measures one patch of the printed card, 0 for the first, with the colour reader."""
    return PatchAnswer(left=measure_patch(session, context.reader, context.hand, number))


@router.get("/card/measured.json")
def get_measured_card(session: ReadSession) -> Response:
    """The card as it was measured, to take to another machine."""
    disposition = 'attachment; filename="reference-card.json"'
    content = card_document(session).model_dump_json(indent=1)
    return Response(content, media_type="application/json", headers={"content-disposition": disposition})


@router.post("/card/measured", status_code=204)
@in_one_change
def set_measured_card(session: UnitOfWork, card: Annotated[UploadFile, File()]) -> None:
    """Takes a card that was measured elsewhere."""
    name, content = card.filename or "card", card.file.read(MAX_CARD + 1)
    if len(content) > MAX_CARD:
        raise Refused("this is too large to be a measured card.", name, "Send the file that this page downloads.")
    take_card(session, parse(CardDocument, json_content(content, name)))


@router.delete("/card/measure", status_code=204)
@in_one_change
def forget_measured_card(session: UnitOfWork) -> None:
    """Another card was printed."""
    forget_card(session)


@router.put("/studio/watched")
@in_one_change
def set_watched(session: UnitOfWork, context: InContext, wanted: WatchRequest) -> WatchedAnswer:
    """Watches a folder of this machine for photos."""
    return _watched(watch(session, context.folder, wanted.path, wanted.client_id))


@router.delete("/studio/watched", status_code=204)
@in_one_change
def unset_watched(session: UnitOfWork) -> None:
    """Watches no folder any more."""
    stop_watching(session)
