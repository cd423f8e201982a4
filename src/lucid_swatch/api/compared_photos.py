"""Photos of a client that were taken to compare."""

from typing import Annotated

from fastapi import APIRouter, File, Query, Response, UploadFile

from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.usecases.compared_photos import (
    add_compared_photo,
    compared_picture,
    remove_compared_photo,
    rename_compared_photo,
    side_by_side,
)

from .context import Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.compared_photos import (
    BesideAnswer,
    ComparedPhotoAnswer,
    NameRequest,
    beside_answer,
    compared_photo_answer,
)

router = APIRouter(tags=["colouring"])


@router.get("/clients/{client_id}/compared-photos")
def list_compared_photos(session: ReadSession, client_id: Id) -> list[ComparedPhotoAnswer]:
    """A client's photos that were taken to compare, the newest first."""
    Clients(session).get(client_id)
    return [compared_photo_answer(photo) for photo in ComparedPhotos(session).of_client(client_id)]


@router.post("/clients/{client_id}/compared-photos", status_code=201)
def send_compared_photo(context: InContext, client_id: Id, photo: Annotated[UploadFile, File()]) -> ComparedPhotoAnswer:
    """Keeps a photo to compare and relights it."""
    content, name = photo.file.read(MAX_BYTES + 1), photo.filename or "photo"
    return compared_photo_answer(
        add_compared_photo(context.sessions, context.folder, context.queue, client_id, content, name)
    )


@router.put("/compared-photos/{photo_id}")
@in_one_change
def name_compared_photo(session: UnitOfWork, photo_id: Id, asked: NameRequest) -> ComparedPhotoAnswer:
    """Calls a photo by what it shows."""
    return compared_photo_answer(rename_compared_photo(session, photo_id, asked.name))


@router.delete("/compared-photos/{photo_id}", status_code=204)
@in_one_change
def take_compared_photo_away(session: UnitOfWork, context: InContext, photo_id: Id) -> None:
    """Removes a photo for good."""
    remove_compared_photo(session, context.folder, photo_id)


@router.get("/compared-photos/{left_id}/beside/{right_id}")
def photos_beside(session: ReadSession, left_id: Id, right_id: Id) -> BesideAnswer:
    """Two photos at one size, in one light where that can be done."""
    return beside_answer(left_id, right_id, side_by_side(session, left_id, right_id))


@router.get("/compared-photos/{photo_id}/picture.jpg")
def compared_photo_picture(
    session: ReadSession, context: InContext, photo_id: Id, beside: Annotated[str | None, Query()] = None
) -> Response:
    """The photo relit, and in the light of another one where that is named."""
    content = compared_picture(session, context.folder, photo_id, beside)
    headers = {"cache-control": "no-store"}  # no copy of a person stays in a browser
    return Response(content, media_type="image/jpeg", headers=headers)
