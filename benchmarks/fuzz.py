"""Thousands of damaged photos through the decoder, in a process with a memory limit: refused in a sentence or read."""

import io
import json
import random
import resource
import subprocess
import sys
import time

import numpy as np
from PIL import Image

SLOWEST = 10.0
"""Seconds that one file may take."""
MEMORY = 3 * 2**30


def fuzz(count=5000, seed=1):
    """Figures over some mutated files, in a process of its own so that a crash is seen as one."""
    done = subprocess.run(
        [sys.executable, "-m", "benchmarks.fuzz", str(count), str(seed)], capture_output=True, text=True, check=False
    )
    if done.returncode != 0:
        return {"files": count, "crashed with": done.returncode, "last words": done.stderr[-300:]}
    return json.loads(done.stdout)


def mutated(rng, originals):
    """One photo with some bytes changed, cut, doubled or swapped."""
    content = bytearray(rng.choice(originals))
    for _ in range(rng.randint(1, 4)):
        if len(content) < 64:
            break
        kind, at = rng.randrange(5), rng.randrange(max(len(content) - 8, 1))
        if kind == 0:
            content[at] = rng.randrange(256)
        elif kind == 1:
            content[at : at + rng.randint(1, 8)] = rng.randbytes(rng.randint(1, 8))
        elif kind == 2:
            del content[at : at + rng.randint(1, 60)]
        elif kind == 3:
            content[at:at] = content[at : at + rng.randint(1, 60)]
        else:
            # most of the damage is done where sizes and offsets stand
            head = rng.randrange(max(min(len(content), 600), 1))
            content[head : head + 2] = rng.choice([b"\xff\xff", b"\x00\x00", b"\x7f\xff", b"\x80\x00"])
    return bytes(content[: rng.randint(1, max(len(content), 1))] if rng.random() < 0.15 else content)


def originals():
    """Small photos of every kind that is taken."""
    from tests.pictures import coat_picture, encoded, located

    exif = located().tobytes()
    picture = coat_picture()
    kinds = [encoded(picture, kind, exif=exif) for kind in ("JPEG", "PNG", "WEBP", "HEIF")]
    progressive = io.BytesIO()
    picture.save(progressive, "JPEG", progressive=True)
    grey = io.BytesIO()
    Image.fromarray(np.full((150, 120), 30000, np.uint16)).save(grey, "PNG")
    return [*kinds, progressive.getvalue(), grey.getvalue(), encoded(picture.convert("CMYK"))]


def _run(count, seed):
    from lucid_swatch.core.problems import Refused
    from lucid_swatch.files.photo import decode_photo
    from lucid_swatch.files.strip import strip_metadata

    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))
    rng, kinds = random.Random(seed), originals()
    refused = read = 0
    slowest, other = 0.0, {}
    for _ in range(count):
        content = mutated(rng, kinds)
        start = time.perf_counter()
        try:
            kept, _ = strip_metadata(content, "photo")
            decode_photo(kept, "photo")
            read += 1
        except Refused:
            refused += 1
        except Exception as problem:
            other[type(problem).__name__] = other.get(type(problem).__name__, 0) + 1
        slowest = max(slowest, time.perf_counter() - start)
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(
        json.dumps(
            {
                "files": count,
                "read": read,
                "refused in a sentence": refused,
                "anything else": other,
                "slowest, s": round(slowest, 2),
                "peak memory, MB": round(peak),
            }
        )
    )


if __name__ == "__main__":
    _run(int(sys.argv[1]), int(sys.argv[2]))
