"""A wardrobe of 12-megapixel photos through the intake: one reading process against two, memory, and a mended outline."""

import json
import multiprocessing
import tempfile
import time
from concurrent.futures import ProcessPoolExecutor
from datetime import date
from pathlib import Path

import numpy as np
from PIL import Image

from lucid_swatch.core.photo.strokes import Stroke
from lucid_swatch.demo.samples import TRUTH
from lucid_swatch.files.pictures import jpeg
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.eyes import OwnEyes, Sight
from lucid_swatch.usecases.intake import add_stroke, take_in
from lucid_swatch.work.queue import WorkQueue

TWELVE_MEGAPIXELS = (3000, 4000)


def intake(samples, count=24):
    """Figures of one run. samples: a folder of photos, taken round and round."""
    # enlarged in a process that ends: its memory is none of the intake's
    with ProcessPoolExecutor(1, mp_context=multiprocessing.get_context("spawn")) as pool:
        photos = pool.submit(_large, samples, count).result()
    took, peak = {}, {}
    for workers in (1, 2):
        with tempfile.TemporaryDirectory() as folder:
            took[workers], peak[workers], mend = _through(Path(folder), photos, workers)
    return {
        "photos of 12 megapixels": count,
        "two processes against one": round(took[1] / took[2], 2),
        "a photo, two processes, s": round(took[2] / count, 2),
        "peak memory of all processes, MB": round(max(peak.values())),
        "an outline mended, median ms": round(1000 * mend),
    }


def _large(samples, count):
    truths = json.loads((Path(samples) / TRUTH).read_text(encoding="utf-8"))
    files = sorted(Path(samples) / truth["file"] for truth in truths)
    photos = []
    for k in range(count):
        image = Image.open(files[k % len(files)]).convert("RGB").resize(TWELVE_MEGAPIXELS, Image.Resampling.BICUBIC)
        photos.append((f"{k} {files[k % len(files)].name}", jpeg(np.asarray(image))))
    return photos


def _through(folder, photos, workers):
    sessions, files = open_database(folder), Folder(folder)
    eyes = OwnEyes(Sight(SalientObjectNetwork(), FaceCascade()))
    with sessions.begin() as session:
        client = add_client(session, "Maren", date(2031, 5, 4))
    ids = [taken.photo.id for taken in take_in(sessions, files, eyes, client.id, photos)]
    queue = WorkQueue(sessions, folder, workers)
    queue.add(ids[0]).result()  # the processes are warm before the clock starts
    start = time.perf_counter()
    peak = 0.0
    for future in [queue.add(id) for id in ids]:
        future.result()
        peak = max(peak, _memory())
    took = time.perf_counter() - start
    mends = []
    for k in range(7):
        begun = time.perf_counter()
        add_stroke(sessions, files, ids[0], Stroke(k % 2 == 0, ((0.4, 0.4 + k / 50), (0.6, 0.5)), 0.03))
        mends.append(time.perf_counter() - begun)
    queue.stop()
    return took, peak, float(np.median(mends))


def _memory():
    """Megabytes that this process and its reading processes have held at most."""
    pids = ["self", *(str(child.pid) for child in multiprocessing.active_children())]
    return sum(_high_water(pid) for pid in pids)


def _high_water(pid):
    try:
        status = Path(f"/proc/{pid}/status").read_text(encoding="ascii")
    except OSError:
        return 0.0
    line = next(line for line in status.splitlines() if line.startswith("VmHWM"))
    return int(line.split()[1]) / 1024
