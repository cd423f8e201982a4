"""Values of the core as JSON columns: decoded and checked once, here, and refused here when they are of another kind."""

import json
from dataclasses import is_dataclass
from typing import Annotated, Any, get_args, get_origin

import numpy as np
import sqlalchemy as sa
from pydantic import PlainSerializer, PlainValidator, TypeAdapter

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, LightReference, SeriesLight
from lucid_swatch.core.photo.paper import Sheet
from lucid_swatch.core.photo.room_ground import Ground

_ADAPTERS: dict[Any, TypeAdapter[Any]] = {}


def adapter_of(kind: Any) -> TypeAdapter[Any]:
    """What reads, checks and writes values of a kind, made once: making one takes longer than using it."""
    if kind not in _ADAPTERS:
        _ADAPTERS[kind] = TypeAdapter(kind)
    return _ADAPTERS[kind]


class Value(sa.types.TypeDecorator[Any]):
    """A frozen value, or a tuple or mapping of them, as JSON. What is as it usually is, is left out."""

    impl = sa.JSON
    cache_ok = True

    def __init__(self, kind: Any) -> None:
        super().__init__(none_as_null=True)
        self.kind = kind
        self.adapter = adapter_of(kind)

    def process_bind_param(self, value: Any, dialect: sa.Dialect) -> Any:
        """ValueError for a value of another kind."""
        return None if value is None else written(self.kind, value)

    def process_result_value(self, value: Any, dialect: sa.Dialect) -> Any:
        """ValueError when the kept JSON is of another kind."""
        return self._decoded(value)

    def from_text(self, text: str | None) -> Any:
        """The value of a column that was read as the text it is kept as. ValueError when it is of another kind."""
        return self._decoded(None if text is None else json.loads(text))

    def _decoded(self, value: Any) -> Any:
        return None if value is None else self.adapter.validate_python(value)

    def coerce_compared_value(self, op: Any, value: Any) -> Any:
        """JSON is compared as JSON."""
        return sa.JSON()


def written(kind: Any, value: Any) -> Any:
    """A value as JSON takes it. ValueError when it is of another kind than was said."""
    bare = get_args(kind)[0] if get_origin(kind) is Annotated else kind
    if is_dataclass(bare) and not isinstance(value, bare):  # type: ignore[arg-type]
        raise ValueError(f"a {getattr(bare, '__name__', bare)} was to be kept, and not a {type(value).__name__}")
    adapter = adapter_of(kind)
    return adapter.dump_python(adapter.validate_python(value), mode="json", exclude_defaults=True, warnings="error")


def _light_values(light: Light) -> dict[str, Any]:
    return {
        "reference": light.reference.value,
        "rgb": light.rgb.tolist(),
        "exposure": light.exposure,
        "cast_spread": light.cast_spread,
        "exposure_spread": light.exposure_spread,
        "tone": None if light.tone is None else light.tone.tolist(),
        "correction": None if light.correction is None else light.correction.tolist(),
        "lamp": light.lamp,
        "lamp_spread": None if light.lamp_spread is None else light.lamp_spread.tolist(),
    }


def _array(values: Any) -> FloatArray | None:
    return None if values is None else np.array(values, dtype=float)


def _light(values: Any) -> Light:
    if isinstance(values, Light):
        return values
    try:
        rgb = np.array(values["rgb"], dtype=float)
        if rgb.shape != (3,):
            raise ValueError("the light of a photo has three channels")
        return Light(
            LightReference(values["reference"]),
            rgb,
            float(values["exposure"]),
            float(values["cast_spread"]),
            float(values["exposure_spread"]),
            _array(values["tone"]),
            _array(values["correction"]),
            lamp=str(values.get("lamp", "")),
            lamp_spread=_array(values.get("lamp_spread")),
        )
    except (KeyError, TypeError) as problem:
        raise ValueError(f"this is no light: {problem}") from None


def _series_light(values: Any) -> SeriesLight:
    if isinstance(values, SeriesLight):
        return values
    try:
        return SeriesLight(str(values["from"]), _light(values["light"]))
    except (KeyError, TypeError) as problem:
        raise ValueError(f"this is no light of a series: {problem}") from None


KeptLight = Annotated[Light, PlainValidator(_light), PlainSerializer(_light_values)]
KeptSeriesLight = Annotated[
    SeriesLight,
    PlainValidator(_series_light),
    PlainSerializer(lambda one: {"from": one.photo_id, "light": _light_values(one.light)}),
]


def _evidence_values(evidence: Evidence) -> dict[str, Any]:
    ground = evidence.ground
    return {
        "own": _light_values(evidence.own),
        "guessed": _light_values(evidence.guessed),
        "ground": None if ground is None else {"levels": _short(ground.levels), "marks": _short(ground.marks)},
        "sheets": [
            {"corners": _short(sheet.corners), "colour": _short(sheet.colour), "sure": sheet.sure}
            for sheet in evidence.sheets[:SHEETS]
        ],
        "sheet": None if evidence.sheet is None else evidence.sheet.tolist(),
    }


SHEETS = 3
"""How many that may be paper are kept: nobody is asked about more."""


def _short(array: FloatArray) -> Any:
    return np.round(array, 5).tolist()


def _evidence(values: Any) -> Evidence:
    if isinstance(values, Evidence):
        return values
    try:
        ground = values["ground"]
        return Evidence(
            _light(values["own"]),
            _light(values["guessed"]),
            None if ground is None else Ground(np.array(ground["levels"]), np.array(ground["marks"])),
            tuple(
                Sheet(np.array(one["corners"]), np.array(one["colour"]), bool(one["sure"])) for one in values["sheets"]
            ),
            _array(values["sheet"]),
        )
    except (KeyError, TypeError) as problem:
        raise ValueError(f"this tells nothing of a light: {problem}") from None


KeptEvidence = Annotated[Evidence, PlainValidator(_evidence), PlainSerializer(_evidence_values)]
KeptReading = Annotated[
    Reading,
    PlainValidator(lambda told: told if isinstance(told, Reading) else Reading(told)),
    PlainSerializer(lambda reading: dict(reading.document)),
]
