"""What belongs to the whole studio: the reference card, the colour reader, the watched folder."""

from fastapi import APIRouter, Response

from lucid_swatch.core.problems import Problem
from lucid_swatch.files.card_pdf import CardSize, card_pdf
from lucid_swatch.usecases.reader import calibrate, forget_card, measure_patch, measured_card
from lucid_swatch.usecases.watch import Watched, stop_watching, watch, watched

from .context import Context, InContext, UnitOfWork
from .documents import PatchAnswer, StudioAnswer, WatchedAnswer, WatchRequest

router = APIRouter(tags=["studio"])


@router.get("/studio")
def get_studio(session: UnitOfWork, context: InContext) -> StudioAnswer:
    """What is set up."""
    found = watched(session)
    folder = None if found is None else _watched(found)
    card = measured_card(session)
    return StudioAnswer(
        card=None if card is None else [[round(float(v), 1) for v in lab] for lab in card],
        reader=_reader_name(context), watched=folder,
    )  # fmt: skip


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
def read_patch(session: UnitOfWork, context: InContext, number: int) -> PatchAnswer:
    """Measures one patch of the printed card, 0 for the first, with the colour reader."""
    return PatchAnswer(left=measure_patch(session, context.reader, context.hand, number))


@router.delete("/card/measure", status_code=204)
def forget_measured_card(session: UnitOfWork) -> None:
    """Another card was printed."""
    forget_card(session)


@router.put("/studio/watched")
def set_watched(session: UnitOfWork, wanted: WatchRequest) -> WatchedAnswer:
    """Watches a folder of this machine for photos."""
    return _watched(watch(session, wanted.path, wanted.client_id))


@router.delete("/studio/watched", status_code=204)
def unset_watched(session: UnitOfWork) -> None:
    """Watches no folder any more."""
    stop_watching(session)
