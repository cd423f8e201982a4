"""Runs the benchmarks and prints their figures as JSON.

Usage: python -m benchmarks [--photos FOLDER]... [--only accuracy|speed|screens]
FOLDER holds photos with a truth.json; without one, the project's own samples are used."""

import argparse
import json
import tempfile
from pathlib import Path

from lucid_swatch.demo.build import build_demo

from .accuracy import accuracy
from .screens import screens
from .speed import measuring, scoring


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--photos", type=Path, action="append", default=[])
    parser.add_argument("--only", choices=["accuracy", "speed", "screens"])
    asked = parser.parse_args()
    wanted = {asked.only} if asked.only else {"accuracy", "speed", "screens"}
    figures = {}
    with tempfile.TemporaryDirectory() as folder:
        demo = Path(folder) / "demo"
        build_demo(demo)
        if "accuracy" in wanted:
            for photos in asked.photos or [demo / "samples"]:
                figures[f"accuracy, {photos.name}"] = accuracy(photos)
        if "speed" in wanted:
            figures["measuring"] = measuring(demo / "samples/check-jacket.jpg")
            figures["scoring"] = scoring()
        if "screens" in wanted:
            figures["screens"] = screens(demo)
    print(json.dumps(figures, indent=1))


if __name__ == "__main__":
    main()
