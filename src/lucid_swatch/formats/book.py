"""Looks of a file as they go into a book."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from typing import Any

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.page import BookLook
from lucid_swatch.core.look.called import called_after
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.problems import Refused

from .document import parse
from .look import LookDocument, parse_looks
from .plan import PlanDocument, PlannedWeather

MOST_LOOKS = 200


def book_looks(value: Any, file: str) -> list[BookLook]:
    """The looks of a look, looks or plan document. Each may be turned with what the others are made of.

    Refused when it holds none, or more than a book has pages."""
    if isinstance(value, dict) and value.get("format") == "lucid-swatch/plan":
        found = _of_plan(parse(PlanDocument, value))
    else:
        found = [_book_look(look, _said(value, k)) for k, look in enumerate(parse_looks(value))]
    if not found:
        raise Refused("no look is in this file.", file, "Write looks into it, or make some.")
    if len(found) > MOST_LOOKS:
        raise Refused(f"the file holds {len(found)} looks.", file, f"A book has up to {MOST_LOOKS} pages.")
    return _together(found)


def _said(value: Any, place: int) -> dict[str, Any]:
    """What a document says of a look beside its pieces."""
    said = value["looks"][place] if value["format"] == "lucid-swatch/looks" else value
    return said if isinstance(said, dict) else {}


def _book_look(look: Look, said: dict[str, Any]) -> BookLook:
    def words(key: str) -> str:
        told = said.get(key)
        return told.strip()[:500] if isinstance(told, str) else ""

    name = words("name") or called_after(look.pieces) or look.id
    return BookLook(look.id, name, look, words("when") or words("occasion"), words("occasion"))


def _of_plan(plan: PlanDocument) -> list[BookLook]:
    found = []
    for day in plan.days:
        looks = {look.id: look for look in day.looks}
        for occasion in day.occasions:
            document = looks.get(occasion.look or "")
            if document is not None:
                look = LookDocument.model_validate(document.model_dump(by_alias=True)).to_core()
                when = day_words(day.on, occasion.name, _sky(day.weather))
                name = called_after(look.pieces) or occasion.name
                found.append(BookLook(look.id, name, look, when, occasion.name))
    return found


def day_words(on: date, occasion: str, sky: str) -> str:
    """What stands above a look of a plan."""
    return " · ".join(filter(None, (f"{on:%A} {on.day}", occasion, sky)))


def _sky(weather: PlannedWeather | None) -> str:
    return "" if weather is None else sky_words(Weather(weather.low, weather.high, weather.rain))


def sky_words(weather: Weather | None) -> str:
    """The weather of a day as a client reads it; empty where nobody knows it."""
    if weather is None:
        return ""
    return f"{weather.low:.0f} to {weather.high:.0f} °C, {'rain' if weather.wet else 'dry'}"


def _together(found: Sequence[BookLook]) -> list[BookLook]:
    """Looks that may draw on each other's pieces, where the file gives no rail."""
    every: dict[str, Piece] = {piece.id: piece for one in found for piece in one.look.pieces}
    return [one if one.look.rail else _with_rail(one, every) for one in found]


def _with_rail(one: BookLook, every: dict[str, Piece]) -> BookLook:
    others = tuple(piece for id, piece in every.items() if id not in one.look.ids)
    return replace(one, look=replace(one.look, rail=others))
