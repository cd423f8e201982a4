"""What all documents share: unknown keys are kept, wrong ones refused with their path."""

import json
from pathlib import Path
from typing import Any, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, ValidationError

from lucid_swatch.core.problems import Refused

MAX_DOCUMENT_BYTES = 50 * 1024 * 1024


class Document(BaseModel):
    """A part of an open document."""

    model_config = ConfigDict(
        extra="allow",
        use_attribute_docstrings=True,
        allow_inf_nan=False,
        # what is answered holds every key; what is sent may leave those out that have a usual value
        json_schema_serialization_defaults_required=True,
        json_schema_extra=lambda schema: schema.pop("additionalProperties", None),
    )


class Titled(Document):
    """A document with a format of its own."""

    format: str
    version: Literal[1] = 1


Parsed = TypeVar("Parsed", bound=BaseModel)


def read_json(path: Path) -> Any:
    """The content of a JSON file. Refused when it is missing, too large, or no JSON."""
    return json_content(read_bytes(path), path.name)


def read_bytes(path: Path) -> bytes:
    """The content of a file. Refused when it is missing or too large."""
    try:
        if path.stat().st_size > MAX_DOCUMENT_BYTES:
            raise Refused("the file is larger than 50 MB.", path.name, "Split it into several.")
        return path.read_bytes()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the file cannot be opened ({reason}).", path.name, "Check the name and the folder.") from None


def json_content(content: bytes, name: str) -> Any:
    """The value of some JSON text. name: what to call it in an error. Refused when it is no UTF-8 or no JSON."""
    try:
        return json.loads(content.decode("utf-8"), parse_constant=_no_constant)
    except UnicodeDecodeError:
        raise Refused("the file is not UTF-8 text.", name, "Save it as UTF-8 JSON.") from None
    except (ValueError, RecursionError) as problem:
        raise Refused(f"this is not JSON: {problem}.", name, "Check the file where it says.") from None


def _no_constant(word: str) -> float:
    raise ValueError(f"{word} is not a number")


def parse(model: type[Parsed], value: Any, where: str = "$") -> Parsed:
    """A checked document. Refused with the JSON path of the first fault."""
    try:
        return model.model_validate(value)
    except ValidationError as problem:
        fault = problem.errors()[0]
        path = where + "".join(f"[{part}]" if isinstance(part, int) else f".{part}" for part in fault["loc"])
        others = problem.error_count() - 1
        more = f" ({others} more after it)" if others else ""
        raise Refused(f"{_sentence(dict(fault))}{more}.", path, "Correct the value and try again.") from None


def _sentence(fault: dict[str, Any]) -> str:
    if fault["type"] == "missing":
        return "this key is missing"
    if fault["type"] == "value_error":
        return str(fault["ctx"]["error"]).rstrip(".")
    message = str(fault["msg"])
    message = message[:1].lower() + message[1:]
    if fault["type"].startswith("model_") or isinstance(fault["input"], dict | list):
        return message
    return f"{message}, not {json.dumps(fault['input'], default=str)[:60]}"
