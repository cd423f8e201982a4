"""What the screens send and get about portraits and single readings of a face."""

from dataclasses import asdict
from datetime import datetime
from typing import Literal

import numpy as np
from pydantic import Field

from lucid_swatch.core.client.head import can_be_cut
from lucid_swatch.core.client.reading import Veil, read_face
from lucid_swatch.core.photo.light import LightReference
from lucid_swatch.formats.piece import Lab
from lucid_swatch.store.records import FaceRecord, FaceSource

from .base import Answer, NeutralMark, Request, SpotPlace, SpotsDocument
from .colouring import ColouringAnswer, FaceColour, colouring_answer, face_colour

FacePart = Literal["skin", "hair", "eyes"]


class PortraitAnswer(Answer):
    """Skin, hair and eyes from one source."""

    id: str
    source: FaceSource
    name: str
    created_at: datetime
    pictures: dict[str, str]
    """Addresses of portrait, face, person and head; empty where there is no picture."""
    spots: SpotsDocument
    neutral: NeutralMark | None
    veils: list[Veil]
    light: LightReference | None
    """What its light was told from."""
    note: str
    colours: dict[str, FaceColour]
    doubts: dict[str, float]
    """CIEDE2000, standard deviation, by part."""
    colouring: ColouringAnswer | None
    """What this one alone says."""
    in_use: bool


class PortraitRequest(Request):
    """Where to read a portrait, what in it is neutral, and what stands between."""

    spots: SpotsDocument
    neutral: NeutralMark | None = None
    veils: list[Veil] = Field(default_factory=list)


class VeilsRequest(Request):
    """What stands between the eye and the client's own colours."""

    veils: list[Veil]


class InUseRequest(Request):
    """Whether a portrait counts."""

    in_use: bool


class ByEyeRequest(Request):
    """A colour of the face set by eye."""

    part: FacePart
    lab: Lab


class PartRequest(Request):
    """The part of the face that the colour reader is held to."""

    part: FacePart


def portrait_answer(face: FaceRecord) -> PortraitAnswer:
    """Skin, hair and eyes from one source."""
    colours = {part: face_colour(lab) for part, lab in face.colours.items()}
    alone = (
        read_face({part: np.array(lab) for part, lab in face.colours.items()}, dict(face.doubts)) if colours else None
    )
    places = {part: [SpotPlace(x=x, y=y) for x, y in face.spots.get(part, [])] for part in ("skin", "hair", "eyes")}
    return PortraitAnswer(
        id=face.id,
        source=face.source,
        name=face.name,
        created_at=face.created_at,
        pictures=face_pictures(face),
        spots=SpotsDocument(**places),
        neutral=None if face.neutral is None else NeutralMark(**asdict(face.neutral)),
        veils=list(face.veils),
        light=None if face.light is None else face.light.reference,
        note=face.note,
        colours=colours,
        doubts=dict(face.doubts),
        colouring=colouring_answer(alone),
        in_use=face.in_use,
    )


def face_pictures(face: FaceRecord) -> dict[str, str]:
    """Addresses of the pictures of a portrait, which change with every reading."""
    if not face.reading_number:
        return {}
    names = {"portrait": "portrait.jpg", "face": "face.jpg", "person": "person.webp"}
    if can_be_cut(face.spots.get("eyes", ())):
        names["head"] = "head.webp"
    return {kind: f"/api/portraits/{face.id}/pictures/{n}?turn={face.reading_number}" for kind, n in names.items()}
