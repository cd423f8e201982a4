"""The intake."""

from typing import Annotated

from fastapi import APIRouter, File, Path, Query, Response, UploadFile

from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.strokes import Stroke
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, PhotoRecord
from lucid_swatch.usecases.alike import alike, neighbours, not_the_same
from lucid_swatch.usecases.guesses import guesses_of
from lucid_swatch.usecases.intake import (
    add_stroke,
    another_piece,
    not_now,
    relight,
    remove_photo,
    share_light,
    take_in,
    undo_stroke,
)
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reader import read_cloth
from lucid_swatch.usecases.what import what_of_photo

from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.photos import (
    ApartRequest,
    LightRequest,
    NeighbourAnswer,
    PhotoAnswer,
    SeriesRequest,
    StrokeRequest,
    TakenAnswer,
    neighbour_answer,
    photo_answer,
    taken_answer,
)
from .documents.rail import PieceAnswer, WordRequest, by_id
from .documents.what import WhatAnswer, what_answer
from .rail import answer_pieces

router = APIRouter(tags=["photos"])
MOST_AT_ONCE = 100
PhotoPicture = Annotated[
    str,
    Path(
        pattern=r"^((as-shot|relit|thumbnail|cloth|strip|colour-[0-9]{1,2}|closer-(shine|relief|threads))\.jpg|cloth-only\.webp)$"
    ),
]


@router.get("/clients/{client_id}/photos")
def list_photos(session: ReadSession, context: InContext, client_id: Id) -> list[PhotoAnswer]:
    """A client's photos, oldest first. Whoever looks at them will soon send one."""
    Clients(session).get(client_id)
    context.queue.make_ready()
    photos = Photos(session).of_wardrobe(client_id)
    found, jobs = alike(photos), {job.about: job for job in Jobs(session).of_client(client_id)}
    guesses = guesses_of(session, photos)
    return [
        photo_answer(
            one,
            jobs[one.id].stage if one.id in jobs else "",
            found.get(one.id),
            guesses.get(one.id, ()),
            one.id in jobs and jobs[one.id].kind is JobKind.TAKE_OVER,
        )
        for one in photos
    ]


@router.post("/clients/{client_id}/photos", status_code=201)
def add_photos(
    context: InContext,
    client_id: Id,
    photos: Annotated[list[UploadFile], File()],
    sent_with: Annotated[str | None, Query(pattern=r"^[A-Za-z0-9_-]{1,64}$")] = None,
) -> list[TakenAnswer]:
    """Takes photos in and lets them be read; one that is refused does not stop the rest.

    sent_with: the same for all that are sent in one go, a few at a time."""
    if len(photos) > MOST_AT_ONCE:
        raise Refused(f"{len(photos)} photos came at once.", "photos", f"Send up to {MOST_AT_ONCE} at a time.")
    sent = ((photo.filename or "photo", photo.file.read(MAX_BYTES + 1)) for photo in photos)
    taken = take_in(context.sessions, context.folder, context.queue, client_id, sent, sent_with)
    # only now are they in the database, where the reading processes look for them
    for one in taken:
        if one.photo is not None:
            context.queue.add(one.photo.id)
    return [taken_answer(one) for one in taken]


@router.get("/photos/{photo_id}")
def get_photo(session: ReadSession, photo_id: Id) -> PhotoAnswer:
    """One photo."""
    photo = Photos(session).get(photo_id)
    return photo_answer(photo, guesses=guesses_of(session, [photo]).get(photo_id, ()))


@router.put("/photos/{photo_id}/light")
def set_light(context: InContext, photo_id: Id, light: LightRequest) -> PhotoAnswer:
    """Relights a photo from something neutral in it, or lets the light be estimated again."""
    neutral = None if light.neutral is None else NeutralPoint(**light.neutral.model_dump())
    with context.sessions.begin() as session:
        photo = relight(session, photo_id, neutral)
    return _read_again(context, photo)


@router.post("/photos/{photo_id}/light/series")
def set_series_light(context: InContext, photo_id: Id, series: SeriesRequest) -> list[PhotoAnswer]:
    """Reads other photos of the same series in the light of this one."""
    with context.sessions.begin() as session:
        changed = share_light(session, photo_id, series.photos)
    return [_read_again(context, photo) for photo in changed]


@router.post("/photos/{photo_id}/reader")
def hold_reader(context: InContext, photo_id: Id) -> PhotoAnswer:
    """Reads the garment directly with the colour reader, and the photo again in its light."""
    return _read_again(context, read_cloth(context.sessions, context.reader, context.hand, photo_id))


@router.post("/photos/{photo_id}/apart")
@in_one_change
def keep_apart(session: UnitOfWork, photo_id: Id, apart: ApartRequest) -> PhotoAnswer:
    """Keeps that two photos show different pieces."""
    return photo_answer(not_the_same(session, photo_id, apart.other))


@router.get("/photos/{photo_id}/neighbours")
def near_pieces(session: ReadSession, photo_id: Id) -> list[NeighbourAnswer]:
    """The pieces on the rail whose main colour is nearest to that of a photo."""
    found = neighbours(session, photo_id)
    rail = by_id(Pieces(session).of_client(Photos(session).get(photo_id).client_id))
    return [neighbour_answer(one, rail.get(one.piece.id)) for one in found]


@router.post("/photos/{photo_id}/strokes")
def draw_stroke(context: InContext, photo_id: Id, stroke: StrokeRequest) -> PhotoAnswer:
    """Mends the outline by a stroke."""
    drawn = Stroke(stroke.cloth, tuple(stroke.points), stroke.width, stroke.box)
    return _read_again(context, add_stroke(context.sessions, context.folder, photo_id, drawn))


@router.delete("/photos/{photo_id}/strokes/last")
def take_back_stroke(context: InContext, photo_id: Id) -> PhotoAnswer:
    """Takes the last stroke back."""
    return _read_again(context, undo_stroke(context.sessions, context.folder, photo_id))


def _read_again(context: Context, photo: PhotoRecord) -> PhotoAnswer:
    context.queue.add(photo.id)
    return photo_answer(photo)


@router.post("/photos/{photo_id}/another", status_code=201)
def take_another(context: InContext, photo_id: Id) -> PhotoAnswer:
    """Takes another piece from a photo that shows several."""
    return _read_again(context, another_piece(context.sessions, context.folder, photo_id))


@router.post("/photos/{photo_id}/not-now")
@in_one_change
def put_aside(session: UnitOfWork, photo_id: Id) -> PhotoAnswer:
    """Puts a photo aside, or back among the waiting ones."""
    return photo_answer(not_now(session, photo_id))


@router.post("/photos/{photo_id}/what")
def what_it_is(session: ReadSession, context: InContext, photo_id: Id, word: WordRequest) -> WhatAnswer:
    """What the piece in a photo is, with the words that there are for it so far; nothing is kept."""
    return what_answer(what_of_photo(session, context.folder, photo_id, word.to_word()))


@router.post("/photos/{photo_id}/hang", status_code=201)
def hang(context: InContext, photo_id: Id, word: WordRequest) -> PieceAnswer:
    """Hangs what the photo shows on the rail."""
    with context.sessions.begin() as session:
        hung = hang_photo(session, photo_id, word.to_word())
    with context.sessions() as session:
        return answer_pieces(session, [hung])[0]


@router.delete("/photos/{photo_id}", status_code=204)
@in_one_change
def delete_photo(session: UnitOfWork, context: InContext, photo_id: Id) -> None:
    """Removes a photo that is not hung."""
    remove_photo(session, context.folder, photo_id)


@router.get("/photos/{photo_id}/pictures/{name}")
def photo_picture(session: ReadSession, context: InContext, photo_id: Id, name: PhotoPicture) -> Response:
    """A picture made from the photo: as shot, relit, cloth only, or the crop of a colour."""
    content = context.folder.picture(Photos(session).get(photo_id).id, name).read_bytes()
    kind = "image/webp" if name.endswith(".webp") else "image/jpeg"
    return Response(content, media_type=kind, headers={"cache-control": "no-store"})
