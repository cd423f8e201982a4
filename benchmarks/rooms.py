"""Photos of one room read together against each for itself: how true the colours are, who is joined, what it takes."""

import json
import tempfile
import time
from pathlib import Path

import numpy as np

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.photo.lights_together import lights_together
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.one_take import Taken, takes_of
from lucid_swatch.usecases.measure_files import measure_files
from lucid_swatch.usecases.measure_photo import LightSource

from .own_rooms import CLOTHS, GROUNDS, room_photos

MANY = 60
"""Photos of the room of which solving is timed."""


def rooms(folder=None):
    """Figures over the rooms of a folder with a truth.json, or over own ones. CIEDE2000 of the main colours."""
    with tempfile.TemporaryDirectory() as place:
        taken = _of_folder(folder) if folder else _own(Path(place))
        return _figures(taken)


def _of_folder(folder):
    """(path, CIELAB of the main colour, mark) of each photo, room by room."""
    found = {}
    for one in json.loads((folder / "truth.json").read_text(encoding="utf-8")):
        mark = one["neutral"] and NeutralPoint(one["neutral"]["x"], one["neutral"]["y"], one["neutral"]["L"])
        main = one["mean_lab"] or one["colours"][0]["lab"]
        found.setdefault(one["series"], []).append((folder / one["file"], np.array(main), mark))
    return list(found.values())


def _own(place):
    found = []
    for ground in GROUNDS:
        (place / ground).mkdir()
        room = []
        for name, content in room_photos(ground):
            path = place / ground / name
            path.write_bytes(content)
            room.append((path, np.array(CLOTHS[path.stem][1]), None))
        found.append(room)
    return found


def _figures(taken):
    figures = {"rooms": len(taken), "photos": sum(len(room) for room in taken)}
    ways = {"each for itself": (False, True), "together": (False, False)}
    if any(mark for room in taken for _, _, mark in room):
        ways["together, the first marked"] = (True, False)
    found = {}
    for way, (marked, apart) in ways.items():
        found[way] = [_read(room, marked, apart) for room in taken]
        figures[way] = _told([one for room in found[way] for one in room])
    seen = [[one.reading.evidence for one, _, _ in room] for room in found["each for itself"]]
    figures["photos joined with their room"] = sum(_joined(room) for room in seen)
    papers = [bool(one.sheets and one.sheets[0].sure) for room in seen for one in room]
    lies = [bool(mark) or path.stem == "sea-shirt" for room in taken for path, _, mark in room]
    figures["paper found, of those that show it"] = f"{sum(np.array(papers) & np.array(lies))} of {sum(lies)}"
    figures["paper seen where none lies"] = f"{sum(np.array(papers) & ~np.array(lies))} of {len(lies) - sum(lies)}"
    figures["solving a room of 60, of reading it"] = _share_of_reading(seen[0], taken[0])
    return figures


def _read(room, marked, apart):
    sources = [LightSource(mark if marked else None) for _, _, mark in room]
    read = measure_files([path for path, _, _ in room], sources, apart)
    return [(one, true, mark) for one, (_, true, mark) in zip(read, room, strict=True) if one.reading is not None]


def _told(read):
    """Of the photos in which nobody marks anything: how far off, and how often the stated radius holds it."""
    off, radius = [], []
    for one, true, mark in read:
        if not mark:
            measured = one.reading.measurement
            # the main colour wherever it stands among those that were read: shares of a print are close
            apart = delta_e_2000(measured.lab, np.broadcast_to(true, measured.lab.shape))
            off.append(float(apart.min()))
            radius.append(float(measured.uncertainty[int(apart.argmin())]))
    return {
        "median": round(float(np.median(off)), 2),
        "p90": round(float(np.quantile(off, 0.9)), 2),
        "held by the stated radius": round(float(np.mean(np.array(off) <= np.array(radius))), 3),
    }


def _joined(evidence):
    numbers = takes_of([Taken(one.ground) for one in evidence])
    return max(numbers.count(number) for number in set(numbers))


def _share_of_reading(evidence, room):
    """A ratio within one run: of telling who belongs together and solving, and of reading as many photos."""
    many = [evidence[k % len(evidence)] for k in range(MANY)]
    begun = time.perf_counter()
    lights_together(many, takes_of([Taken(one.ground) for one in many]))
    solved = time.perf_counter() - begun
    begun = time.perf_counter()
    measure_files([path for path, _, _ in room], [LightSource()] * len(room), True)
    return round(solved / ((time.perf_counter() - begun) * MANY / len(room)), 4)
