"""What the screens send and get about a client's colouring."""

from datetime import datetime
from typing import Any, Literal

import numpy as np
from pydantic import Field

from lucid_swatch.core.client.colouring import read_colouring
from lucid_swatch.core.client.reading import Estimate, FaceReading, Veil, after_trial, read_face
from lucid_swatch.core.client.suits import ColourRange
from lucid_swatch.core.client.trial import Held
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Metal, Undertone
from lucid_swatch.core.photo.light import LightReference
from lucid_swatch.formats.piece import Lab
from lucid_swatch.store.records import ClientRecord, FaceRecord, FaceSource
from lucid_swatch.usecases.side_by_side import SideKind
from lucid_swatch.usecases.suits import Follows
from lucid_swatch.usecases.trial import UnderWay

from .base import Answer, NeutralMark, Request, SpotPlace, SpotsDocument

FacePart = Literal["skin", "hair", "eyes"]


class FaceColour(Answer):
    """A colour of a face."""

    lab: list[float]
    hex: str


class EstimateAnswer(Answer):
    """A value with its standard deviation."""

    value: float
    doubt: float


class ColouringAnswer(Answer):
    """Undertone, depth, clarity and contrast; null where nothing is known."""

    undertone: EstimateAnswer | None
    """-1 cool to 1 warm."""
    depth: EstimateAnswer | None
    """0 light to 1 deep."""
    clarity: EstimateAnswer | None
    """0 soft to 1 clear."""
    contrast: EstimateAnswer | None
    """L* between the lightest and the darkest of skin, hair and eyes."""
    typology_angle: EstimateAnswer | None
    """Degrees, high for fair skin."""


class FaceAnswer(Answer):
    """A client's colouring."""

    skin: FaceColour | None
    hair: FaceColour | None
    eyes: FaceColour | None
    undertone: Undertone | None
    """The stylist's verdict, where there is one."""
    trust: float
    """How far the undertone is trusted, 0 to 1."""
    read: ColouringAnswer | None
    """What portraits and readings say together."""
    held: ColouringAnswer | None
    """What the newest trial says."""
    counts: ColouringAnswer | None
    """What looks are judged against."""
    disagree: list[str]
    """In what the portraits contradict each other."""


class PortraitAnswer(Answer):
    """Skin, hair and eyes from one source."""

    id: str
    source: FaceSource
    name: str
    created_at: datetime
    pictures: dict[str, str]
    """Addresses of portrait, face and person; empty where there is no picture."""
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


class DrapeAnswer(Answer):
    """A cloth that is held to the face."""

    name: str
    hex: str
    lab: list[float]
    picture: str | None
    """The cloth of the client's own piece, where it is one."""


class HeldAnswer(Answer):
    """A pair that was judged, and what was believed after it."""

    left: int
    right: int
    held: Held
    warm: float
    """Chance that the undertone is on the warm side."""
    colouring: ColouringAnswer


class TrialAnswer(Answer):
    """A trial by drapes."""

    id: str
    created_at: datetime
    ended: bool
    drapes: list[DrapeAnswer]
    held: list[HeldAnswer]
    pair: list[int] | None
    """The drapes to hold left and right now, by place in drapes."""
    in_doubt: list[str]
    warm: float | None
    balanced: float | None


class HeldRequest(Request):
    """The verdict on the pair that is held."""

    left: int = Field(ge=0)
    right: int = Field(ge=0)
    held: Held


class SuitingColour(Answer):
    """A colour that suits."""

    lab: list[float]
    hex: str
    name: str
    fit: float


class SuitingRange(Answer):
    """Colours that suit, varied, with the range they come from."""

    colours: list[SuitingColour]
    lightness: list[float]
    chroma: list[float]


class SuitingMetal(Answer):
    """A metal, and the chance that it sits with the skin."""

    metal: Metal
    chance: float


class SuitingPiece(Answer):
    """A piece of the rail against the client's colouring."""

    piece_id: str
    label: str
    hex: str
    picture: str | None
    fit: float
    inside: bool


class FollowsAnswer(Answer):
    """What follows from a colouring."""

    neutrals: SuitingRange
    tones: SuitingRange
    metals: list[SuitingMetal]
    contrast: list[float] | None
    pieces: list[SuitingPiece]


class SideDocument(Request):
    """What is on one side."""

    kind: SideKind
    id: str = ""


class SideBySideRequest(Request):
    """Two things to keep side by side."""

    left: SideDocument
    right: SideDocument
    better: Literal["left", "right", "no difference"] | None = None
    note: str = Field(default="", max_length=500)


class SideAnswer(Answer):
    """One side as kept."""

    kind: SideKind
    id: str
    label: str


class SideBySideAnswer(Answer):
    """Two things that were compared."""

    id: str
    created_at: datetime
    left: SideAnswer
    right: SideAnswer
    better: str | None
    note: str


def face_colour(lab: Any) -> FaceColour:
    """A colour of a face."""
    return FaceColour(lab=[round(float(v), 1) for v in lab], hex=lab_to_hex(np.asarray(lab, dtype=float)))


def colouring_answer(reading: FaceReading | None) -> ColouringAnswer | None:
    """A colouring; what is unknown is null."""
    if reading is None:
        return None

    def told(estimate: Estimate) -> EstimateAnswer | None:
        return (
            EstimateAnswer(value=round(estimate.value, 3), doubt=round(estimate.doubt, 3)) if estimate.known else None
        )

    return ColouringAnswer(
        undertone=told(reading.undertone),
        depth=told(reading.depth),
        clarity=told(reading.clarity),
        contrast=told(reading.contrast),
        typology_angle=told(reading.typology_angle),
    )


def face_answer(client: ClientRecord) -> FaceAnswer:
    """A client's colouring as the screens show it."""
    whole = client.whole
    face, read = whole.client, read_colouring(whole.client)

    def colour(lab: Any) -> FaceColour | None:
        return None if lab is None else face_colour(lab)

    return FaceAnswer(
        skin=colour(face.skin),
        hair=colour(face.hair),
        eyes=colour(face.eyes),
        undertone=client.undertone,
        trust=0.0 if read is None else round(read.undertone_trust, 2),
        read=colouring_answer(whole.read),
        held=colouring_answer(None if whole.trial is None else after_trial(None, whole.trial)),
        counts=colouring_answer(whole.counts),
        disagree=list(whole.disagree),
    )


def portrait_answer(face: FaceRecord) -> PortraitAnswer:
    """Skin, hair and eyes from one source."""
    colours = {part: face_colour(lab) for part, lab in face.colours.items()}
    alone = read_face({part: np.array(lab) for part, lab in face.colours.items()}, face.doubts) if colours else None
    places = {part: [SpotPlace(x=x, y=y) for x, y in face.spots.get(part, [])] for part in ("skin", "hair", "eyes")}
    return PortraitAnswer(
        id=face.id,
        source=face.source,
        name=face.name,
        created_at=face.created_at,
        pictures=face_pictures(face),
        spots=SpotsDocument(**places),
        neutral=None if face.neutral is None else NeutralMark(**face.neutral),
        veils=[Veil(v) for v in face.veils],
        light=None if face.light is None else LightReference(face.light["reference"]),
        note=face.note,
        colours=colours,
        doubts=face.doubts,
        colouring=colouring_answer(alone),
        in_use=face.in_use,
    )


def face_pictures(face: FaceRecord) -> dict[str, str]:
    """Addresses of the pictures of a portrait, which change with every reading."""
    if not face.reading_number:
        return {}
    names = {"portrait": "portrait.jpg", "face": "face.jpg", "person": "person.webp"}
    return {kind: f"/api/portraits/{face.id}/pictures/{n}?turn={face.reading_number}" for kind, n in names.items()}


def trial_answer(now: UnderWay, cloth: dict[str, str]) -> TrialAnswer:
    """A trial. cloth: the address of the cloth of a piece, by piece id."""
    drapes = [
        DrapeAnswer(
            name=d["name"], lab=d["lab"], hex=lab_to_hex(np.array(d["lab"])), picture=cloth.get(d["piece_id"] or "")
        )
        for d in now.trial.drapes
    ]
    held = [
        HeldAnswer(
            left=h["left"],
            right=h["right"],
            held=Held(h["held"]),
            warm=round(step.warm, 3),
            colouring=_known(after_trial(None, step)),
        )
        for h, step in zip(now.trial.held, now.steps, strict=True)
    ]
    return TrialAnswer(
        id=now.trial.id,
        created_at=now.trial.created_at,
        ended=now.trial.ended_at is not None,
        drapes=drapes,
        held=held,
        pair=None if now.pair is None else list(now.pair),
        in_doubt=list(now.in_doubt),
        warm=None if now.reading is None else round(now.reading.warm, 3),
        balanced=None if now.reading is None else round(now.reading.balanced, 3),
    )


def _known(reading: FaceReading | None) -> ColouringAnswer:
    answer = colouring_answer(reading)
    assert answer is not None
    return answer


def follows_answer(follows: Follows, cloth: dict[str, str]) -> FollowsAnswer:
    """What follows from a colouring. cloth: as for a trial."""
    suits = follows.suits

    def told(found: ColourRange) -> SuitingRange:
        colours = [
            SuitingColour(
                lab=[round(float(v), 1) for v in lab], hex=lab_to_hex(lab), name=name, fit=round(float(fit), 3)
            )
            for lab, name, fit in zip(found.lab, found.names, found.fit, strict=True)
        ]
        return SuitingRange(
            colours=colours,
            lightness=[float(round(v)) for v in found.lightness],
            chroma=[float(round(v)) for v in found.chroma],
        )

    return FollowsAnswer(
        neutrals=told(suits.neutrals),
        tones=told(suits.tones),
        metals=[SuitingMetal(metal=metal, chance=round(chance, 2)) for metal, chance in suits.metals],
        contrast=None if suits.contrast is None else [float(round(v)) for v in suits.contrast],
        pieces=[
            SuitingPiece(
                piece_id=one.piece.id,
                label=one.piece.called,
                hex=lab_to_hex(one.piece.lab[0]),
                picture=cloth.get(one.piece.id),
                fit=round(fit, 2),
                inside=inside,
            )
            for one, fit, inside in follows.pieces
        ],
    )
