"""Looks and rails in the open format."""

import json
from collections.abc import Callable
from typing import Any, Literal

import numpy as np
from pydantic import Field, model_validator

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Finish, Undertone
from lucid_swatch.core.look.look import Conventions, Intent, Look
from lucid_swatch.core.look.theme import Theme
from lucid_swatch.core.problems import Refused

from .document import Document, Titled, parse
from .piece import Lab, PieceDocument


class ColourDocument(Document):
    """One colour of a face."""

    lab: Lab


class ClientDocument(Document):
    """A client's colouring."""

    skin: ColourDocument | None = None
    hair: ColourDocument | None = None
    eyes: ColourDocument | None = None
    undertone: Undertone | None = None
    """The stylist's verdict, which wins over the measured one."""

    def to_core(self) -> Client:
        """The colouring as the core sees it."""
        skin, hair, eyes = (
            None if c is None else np.array(c.lab, dtype=float) for c in (self.skin, self.hair, self.eyes)
        )
        return Client(skin, hair, eyes, self.undertone)


class ConventionsDocument(Document):
    """The school the stylist follows; the first value of each is the default."""

    statement: Literal["pick-up", "mute"] = "pick-up"
    metals: Literal["match", "mix"] = "match"
    neutrals: Literal["broad", "strict"] = "broad"
    prints: Literal["mix", "one"] = "mix"
    black_with_denim: Literal["allow", "avoid"] = Field(default="allow", alias="black-with-denim")
    whites: Literal["different", "one"] = "different"
    shoes_and_bag: Literal["related", "pair"] = Field(default="related", alias="shoes-and-bag")
    black_in_summer: Literal["allow", "avoid"] = Field(default="allow", alias="black-in-summer")

    def to_core(self) -> Conventions:
        """The schools as the core sees them."""
        return Conventions(
            mute_round_statement=self.statement == "mute",
            mix_metals=self.metals == "mix",
            strict_neutrals=self.neutrals == "strict",
            one_print=self.prints == "one",
            avoid_black_with_denim=self.black_with_denim == "avoid",
            one_white=self.whites == "one",
            pair_shoes_and_bag=self.shoes_and_bag == "pair",
            avoid_black_in_summer=self.black_in_summer == "avoid",
        )

    @classmethod
    def from_core(cls, conventions: Conventions) -> "ConventionsDocument":
        """The document of the schools in force."""
        return cls.model_validate(
            {
                "statement": "mute" if conventions.mute_round_statement else "pick-up",
                "metals": "mix" if conventions.mix_metals else "match",
                "neutrals": "strict" if conventions.strict_neutrals else "broad",
                "prints": "one" if conventions.one_print else "mix",
                "black-with-denim": "avoid" if conventions.avoid_black_with_denim else "allow",
                "whites": "one" if conventions.one_white else "different",
                "shoes-and-bag": "pair" if conventions.pair_shoes_and_bag else "related",
                "black-in-summer": "avoid" if conventions.avoid_black_in_summer else "allow",
            }
        )


class MeantDocument(Document):
    """A reason that is broken knowingly."""

    code: str = Field(min_length=1, max_length=60)
    note: str = Field(default="", max_length=500)
    """Why."""


class ThemeDocument(Document):
    """A word and a few colours or surfaces that a look is to carry."""

    word: str = Field(default="", max_length=80)
    colours: list[ColourDocument] = Field(default_factory=list, max_length=8)
    surfaces: list[Finish] = Field(default_factory=list, max_length=8)

    @model_validator(mode="after")
    def _check(self) -> "ThemeDocument":
        if not self.colours and not self.surfaces:
            raise ValueError("a theme has a colour or a surface")
        return self

    def to_core(self) -> Theme:
        """As the core sees it."""
        colours = tuple((c.lab[0], c.lab[1], c.lab[2]) for c in self.colours)
        return Theme(self.word, colours, tuple(self.surfaces))

    @classmethod
    def from_core(cls, theme: Theme) -> "ThemeDocument":
        """The document of a theme."""
        return cls(
            word=theme.word,
            colours=[ColourDocument(lab=list(lab)) for lab in theme.colours],
            surfaces=list(theme.surfaces),
        )


class LookDocument(Titled):
    """A look."""

    format: Literal["lucid-swatch/look"] = "lucid-swatch/look"
    id: str = Field(default="look", min_length=1, max_length=200)
    client: ClientDocument | None = None
    conventions: ConventionsDocument = Field(default_factory=ConventionsDocument)
    intent: Intent | None = None
    pieces: list[PieceDocument] = Field(min_length=1, max_length=30)
    rail: list[PieceDocument] = Field(default_factory=list, max_length=1000)
    """Further pieces that mends may draw on."""
    meant: list[MeantDocument] = Field(default_factory=list, max_length=40)
    theme: ThemeDocument | None = None

    @model_validator(mode="after")
    def _check_ids(self) -> "LookDocument":
        check_ids([p.id for p in self.pieces])
        return self

    def to_core(self, core_of: Callable[[PieceDocument], Piece] | None = None) -> Look:
        """The look as the core sees it; what is seen of a piece stands where nothing is said.

        core_of: what makes a piece of its document, where one that is made already is to be taken."""
        made = core_of or _core_of
        return Look(
            self.id,
            tuple(made(p) for p in self.pieces),
            self.client.to_core() if self.client else None,
            self.conventions.to_core(),
            self.intent,
            tuple(made(p) for p in self.rail),
            meant={one.code: one.note for one in self.meant},
            theme=None if self.theme is None else self.theme.to_core(),
        )


def _core_of(piece: PieceDocument) -> Piece:
    return as_seen(piece.to_core())


class _ToldBefore:
    """The pieces of the looks of a file so far: most looks hold the same few, and what was read once is not read again."""

    def __init__(self) -> None:
        self._read: dict[str, PieceDocument] = {}
        """By all that the file tells of it."""
        self._made: dict[int, Piece] = {}
        """By the identity of their documents, which are all kept here."""

    def with_known(self, look: Any) -> Any:
        """A look as it stands in a file, with pieces that were read before in place of what is told of them."""
        if not isinstance(look, dict):
            return look
        lists = {name: look[name] for name in ("pieces", "rail") if isinstance(look.get(name), list)}
        return look | {name: [self._read.get(json.dumps(one), one) for one in some] for name, some in lists.items()}

    def learn(self, look: dict[str, Any], read: LookDocument) -> None:
        """Keeps the pieces of a look that was read. look: as it stands in the file."""
        for name, some in (("pieces", read.pieces), ("rail", read.rail)):
            for told, document in zip(look.get(name, []), some, strict=True):
                if id(document) not in self._made:
                    self._read[json.dumps(told)] = document
                    self._made[id(document)] = _core_of(document)

    def made_of(self, document: PieceDocument) -> Piece:
        """The piece of a document that was learned."""
        return self._made[id(document)]


def check_ids(ids: list[str]) -> None:
    """Raises ValueError when two pieces have one id."""
    twice = next((one for one in ids if ids.count(one) > 1), None) if len(set(ids)) < len(ids) else None
    if twice is not None:
        raise ValueError(f"two pieces have the id '{twice}'")


def parse_looks(value: Any) -> list[Look]:
    """The looks of a look or looks document. Refused whole when one of them is bad, naming it."""
    kind = value.get("format") if isinstance(value, dict) else None
    if kind == "lucid-swatch/look":
        return [parse(LookDocument, value).to_core()]
    if kind != "lucid-swatch/looks":
        raise Refused(
            "this is no look: its format is neither lucid-swatch/look nor lucid-swatch/looks.",
            "$.format",
            'Begin the document with "format": "lucid-swatch/look", "version": 1.',
        )
    if value.get("version") != 1 or not isinstance(value.get("looks"), list):
        raise Refused("version 1 and a list of looks are needed.", "$.looks", "Add what is missing.")
    looks = []
    before = _ToldBefore()
    for number, one in enumerate(value["looks"]):
        name = f" (look '{one['id']}')" if isinstance(one, dict) and isinstance(one.get("id"), str) else ""
        try:
            read = parse(LookDocument, before.with_known(one), f"$.looks[{number}]")
            before.learn(one, read)
            looks.append(read.to_core(before.made_of))
        except Refused as problem:
            raise Refused(problem.what, problem.where + name, problem.do) from None
    return looks
