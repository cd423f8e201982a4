"""The sample photos as files, with the truth beside them."""

import io
import json
import multiprocessing
import signal
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor, as_completed
from pathlib import Path

from PIL import Image

from lucid_swatch.files.pictures import mask_png

from .studio.portrait import draw_portrait
from .studio.scene import photograph, truth_document
from .wardrobe import CLIENTS, SAMPLES

TRUTH = "truth.json"
FIRST_SEED, FIRST_COMPARED = 400, 300


def make_samples(folder: Path, progress: Callable[[int, int], None] = lambda done, of: None, workers: int = 2) -> None:
    """Writes every sample photo, its mask and truth.json, the portraits and the photos to compare. The same files every time."""
    (folder / "masks").mkdir(parents=True, exist_ok=True)
    truths: dict[int, dict[str, object]] = {}
    context = multiprocessing.get_context("spawn")
    with ProcessPoolExecutor(workers, mp_context=context, initializer=_leave_ctrl_c) as pool:
        futures = {pool.submit(_make, str(folder), k): k for k in range(len(SAMPLES))}
        for done, future in enumerate(as_completed(futures), start=1):
            truths[futures[future]] = future.result()
            progress(done, len(SAMPLES))
    for number, (sitter, portrait) in enumerate((c.sitter, p) for c in CLIENTS for p in c.portraits):
        drawn = Image.fromarray(draw_portrait(sitter, portrait.lamp, FIRST_SEED - 1 - number))
        (folder / portrait.file).write_bytes(_as_jpeg(drawn))
    for number, (sitter, one) in enumerate((c.sitter, p) for c in CLIENTS for p in c.compared):
        drawn = Image.fromarray(draw_portrait(sitter, one.lamp, FIRST_COMPARED - number, one.cloth))
        (folder / one.file).write_bytes(_as_jpeg(drawn))
    (folder / TRUTH).write_text(json.dumps([truths[k] for k in sorted(truths)], indent=1), encoding="utf-8")


def _leave_ctrl_c() -> None:
    """Leaves Ctrl+C to the main process."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)


def _make(folder: str, number: int) -> dict[str, object]:
    sample = SAMPLES[number]
    picture, truth = photograph(sample.subject, sample.room, FIRST_SEED + number)
    path = Path(folder)
    (path / sample.file).write_bytes(_as_jpeg(Image.fromarray(picture)))
    mask = f"masks/{Path(sample.file).stem}.png"
    (path / mask).write_bytes(mask_png(truth.mask))
    return {"file": sample.file, "mask": mask, **truth_document(sample.subject, truth)}


def _as_jpeg(picture: Image.Image) -> bytes:
    """As a phone writes it: with the place and the device, which must not survive the intake."""
    exif = Image.Exif()
    exif[0x010F], exif[0x0110] = "Sample", "Drawn by code"
    exif[0x8825] = {1: "N", 2: (59.0, 54.0, 0.0), 3: "E", 4: (10.0, 45.0, 0.0)}
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=91, exif=exif.tobytes())
    return out.getvalue()
