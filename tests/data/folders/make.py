"""Makes a small data folder as this version keeps it: `python -m tests.data.folders.make NAME`.

One lies here for each release, so that every later version is tried on it. It is made over HTTP, as a stylist would."""

import json
import sys
import tempfile
import time
import zipfile
from pathlib import Path

from tests.pictures import coat_photo
from tests.running import asking, running

HERE = Path(__file__).parent
CLIENT, PIECES, RENAMED = "Maren", ("navy coat", "green coat"), "the sea coat"
STAYS = ("photos", "pictures", "lucid-swatch.sqlite")


def fill(http):
    """A client with a portrait, two hung pieces, one of them renamed, a waiting photo, a look and a palette."""
    client = http.post("/api/clients", json={"name": CLIENT, "consent": True, "note": "drives the night ferry"}).json()
    base = f"/api/clients/{client['id']}"
    sent = [
        ("photos", (f"{k}.jpg", coat_photo(lab=lab)))
        for k, lab in enumerate([(28, 3, -18), (45, -25, 15), (60, 5, 30)])
    ]
    ids = [taken["photo"]["id"] for taken in http.post(f"{base}/photos", files=sent).json()]
    http.post(
        f"{base}/portraits", files={"portrait": ("portrait.jpg", coat_photo(lab=(66, 14, 18)))}
    ).raise_for_status()
    while any(photo["state"] in ("waiting", "reading") for photo in http.get(f"{base}/photos").json()):
        time.sleep(0.2)  # a script, not a test
    pieces = [
        http.post(f"/api/photos/{id}/hang", json={"label": label, "category": category}).json()["id"]
        for id, label, category in zip(ids[:2], PIECES, ("coat", "knit"), strict=True)
    ]
    http.patch(f"/api/pieces/{pieces[0]}", json={"label": RENAMED}).raise_for_status()
    http.post(
        f"{base}/looks", json={"name": "night watch", "pieces": pieces, "kept": {"note": "by the rail"}}
    ).raise_for_status()
    colours = [{"lab": [28, 3, -18], "name": "sea"}]
    http.post(f"{base}/palettes", json={"name": "harbour", "colours": colours, "within": 10}).raise_for_status()


def main(name):
    with tempfile.TemporaryDirectory() as place:
        data = Path(place) / "data"
        with running("serve", data) as url, asking(url) as http:
            fill(http)
        with zipfile.ZipFile(HERE / f"{name}.zip", "w", zipfile.ZIP_DEFLATED) as archive:
            for file in sorted(data.rglob("*")):
                inside = file.relative_to(data)
                if file.is_file() and inside.parts[0] in STAYS:
                    archive.write(file, inside)
        print(json.dumps({"files": len(list(data.rglob("*")))}))


if __name__ == "__main__":
    main(sys.argv[1])
