"""Runs the benchmarks and prints their figures as JSON.

Usage: python -m benchmarks [--photos FOLDER]... [--only accuracy|held|card|trials|portraits|intake|speed|scoring|cliffs|fuzz|screens|rail|
                           kills|busy|requests|twenty|backup|long|making|rooms|buying|
                           capsules|planning|log|book|wall]
FOLDER holds photos with a truth.json; without one, the project's own samples are used."""

import argparse
import json
import multiprocessing
import tempfile
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from lucid_swatch.demo.build import build_demo

from .accuracy import accuracy
from .book import book
from .busy_day import busy_day
from .buying import buying
from .capsules import capsules
from .card_scenes import card_scenes
from .cliffs import cliffs
from .fuzz import fuzz
from .held import held
from .intake import intake
from .kills import kills
from .large_backup import large_backup
from .long_rails import long_rails
from .making import making
from .mutated_requests import mutated_requests
from .planning import planning
from .portraits import A_BAND, portraits
from .rail import rail
from .rooms import rooms
from .scoring import scoring
from .screens import screens
from .speed import measuring, measuring_some
from .trials import trials
from .twenty_clients import twenty_clients
from .wall_seen import wall_seen
from .wear_log import wear_log

PARTS = (
    "accuracy",
    "held",
    "card",
    "trials",
    "portraits",
    "intake",
    "speed",
    "scoring",
    "cliffs",
    "fuzz",
    "screens",
    "rail",
    "kills",
    "busy",
    "requests",
    "twenty",
    "backup",
    "long",
    "making",
    "rooms",
    "buying",
    "capsules",
    "planning",
    "log",
    "book",
    "wall",
)


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--photos", type=Path, action="append", default=[])
    parser.add_argument("--only", choices=PARTS)
    parser.add_argument(
        "--intake-photos", type=int, default=24, help="how many 12-megapixel photos go through the intake"
    )
    parser.add_argument("--portraits", type=int, default=A_BAND, help="how many portraits for each depth of skin")
    asked = parser.parse_args()
    wanted = {asked.only} if asked.only else set(PARTS)
    figures = {}
    with tempfile.TemporaryDirectory() as folder:
        demo = Path(folder) / "demo"
        if wanted & {"intake", "speed", "screens", "rail", "book", "wall"} or (
            "accuracy" in wanted and not asked.photos
        ):
            # in a process that ends: its memory is none of what is measured
            with ProcessPoolExecutor(1, mp_context=multiprocessing.get_context("spawn")) as pool:
                pool.submit(build_demo, demo).result()
        if "accuracy" in wanted:
            for photos in asked.photos or [demo / "samples"]:
                figures[f"accuracy, {photos.name}"] = accuracy(photos)
        if "held" in wanted:
            figures["pieces held by a hand"] = held()
        if "speed" in wanted:
            for name in ("long-coat", "check-jacket", "leaf-dress"):
                figures[f"measuring, {name}"] = measuring(demo / f"samples/{name}.jpg")
            for photos in asked.photos:
                figures[f"measuring, {photos.name}"] = measuring_some(photos)
        if "scoring" in wanted:
            figures["scoring"] = scoring()
        if "cliffs" in wanted:
            figures["one CIEDE2000 further"] = cliffs()
        if "card" in wanted:
            figures["card scenes"] = card_scenes()
        if "trials" in wanted:
            figures["trials"] = trials()
        if "portraits" in wanted:
            figures["portraits"] = portraits(asked.portraits)
        if "intake" in wanted:
            figures["intake"] = intake(demo / "samples", asked.intake_photos)
        if "fuzz" in wanted:
            figures["fuzz"] = fuzz()
        if "kills" in wanted:
            figures["killed while photos come in"] = kills()
        if "busy" in wanted:
            figures["a busy day"] = busy_day()
        if "requests" in wanted:
            figures["mutated requests"] = mutated_requests()
        if "twenty" in wanted:
            figures["twenty people at once"] = twenty_clients()
        if "backup" in wanted:
            figures["a backup and back"] = large_backup()
        if "long" in wanted:
            figures["rails of 500 and of 5,000 pieces"] = long_rails()
        if "making" in wanted:
            figures["making looks"] = making()
        if "buying" in wanted:
            figures["before buying"] = buying()
        if "capsules" in wanted:
            figures["capsules"] = capsules()
        if "planning" in wanted:
            figures["planning"] = planning()
        if "log" in wanted:
            figures["log"] = wear_log()
        if "rooms" in wanted:
            for photos in asked.photos or [None]:
                figures[f"rooms, {photos.name if photos else 'own'}"] = rooms(photos)
        if "book" in wanted:
            figures["lookbook"] = book(demo, Path(folder))
        if "wall" in wanted:
            figures["looks on the wall"] = wall_seen(demo)
        if "screens" in wanted:
            figures["screens"] = screens(demo)
        if "rail" in wanted:
            figures["rail of 500 pieces"] = rail(demo)
    print(json.dumps(figures, indent=1))


if __name__ == "__main__":
    main()
