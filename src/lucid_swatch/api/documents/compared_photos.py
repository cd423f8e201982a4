"""What the screens send and get about photos that were taken to compare."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from lucid_swatch.core.client.frame import Frame
from lucid_swatch.store.records import ComparedPhoto
from lucid_swatch.usecases.compared_photos import Beside

from .base import Answer, Request


class FrameAnswer(Answer):
    """A rectangle in pixels of a picture; it may reach beyond its edges."""

    left: float
    top: float
    width: float
    height: float


class ComparedPhotoAnswer(Answer):
    """A photo of a client that was taken to compare."""

    id: str
    created_at: datetime
    name: str
    rows: int
    columns: int
    picture: str
    frame: FrameAnswer
    """Round the face, or round the figure where the face is far."""


class BesideAnswer(Answer):
    """Two photos as they are best shown side by side."""

    left: FrameAnswer
    right: FrameAnswer
    left_picture: str
    right_picture: str
    light: Literal["cards", "ground", "apart"]
    """By their cards, by the ground behind, or each by itself."""
    changed: Literal["left", "right"] | None
    """Which one is brought into the light of the other."""
    apart: float | None
    """CIEDE2000 between the grounds before it."""
    remaining: float | None
    """The same after it."""


class NameRequest(Request):
    """What a photo shows."""

    name: str = Field(max_length=120)


def frame_answer(frame: Frame) -> FrameAnswer:
    """A frame."""
    return FrameAnswer(left=frame.left, top=frame.top, width=frame.width, height=frame.height)


def compared_photo_answer(photo: ComparedPhoto) -> ComparedPhotoAnswer:
    """A photo."""
    return ComparedPhotoAnswer(
        id=photo.id,
        created_at=photo.created_at,
        name=photo.name,
        rows=photo.rows,
        columns=photo.columns,
        picture=f"/api/compared-photos/{photo.id}/picture.jpg",
        frame=frame_answer(photo.face or photo.figure),
    )


def beside_answer(left_id: str, right_id: str, pair: Beside) -> BesideAnswer:
    """A pair."""
    path = "/api/compared-photos/{}/picture.jpg?beside={}"
    light = pair.light
    return BesideAnswer(
        left=frame_answer(pair.left),
        right=frame_answer(pair.right),
        left_picture=path.format(left_id, right_id),
        right_picture=path.format(right_id, left_id),
        light="cards" if pair.by_cards else "apart" if light is None else "ground",
        changed=None if pair.changed is None else "left" if pair.changed == left_id else "right",
        apart=None if light is None else round(light.apart, 1),
        remaining=None if light is None else round(light.remaining, 1),
    )
