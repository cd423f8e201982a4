"""What everything that is sent and answered shares."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

Fraction = Annotated[float, Field(ge=0, le=1)]
"""Of the width or height of a picture."""


class SpotPlace(BaseModel):
    """A place in a portrait, in fractions from the top left corner."""

    x: float = Field(ge=0, le=1)
    y: float = Field(ge=0, le=1)


class SpotsDocument(BaseModel):
    """Where a portrait is read, each part at some places or none, in fractions from the top left corner."""

    skin: list[SpotPlace] = Field(default_factory=list, max_length=12)
    hair: list[SpotPlace] = Field(default_factory=list, max_length=12)
    eyes: list[SpotPlace] = Field(default_factory=list, max_length=12)


class NeutralMark(BaseModel):
    """A place in a photo known to be neutral, in fractions from the top left corner."""

    x: float = Field(ge=0, le=1)
    y: float = Field(ge=0, le=1)
    lightness: float | None = Field(default=None, ge=5, le=100)


class Answer(BaseModel):
    """Anything the application answers."""

    model_config = ConfigDict(
        use_attribute_docstrings=True, allow_inf_nan=False, json_schema_serialization_defaults_required=True
    )


class Request(BaseModel):
    """Anything the screens send."""

    model_config = ConfigDict(use_attribute_docstrings=True, extra="forbid", allow_inf_nan=False)
