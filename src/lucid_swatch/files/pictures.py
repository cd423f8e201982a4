"""Arrays to picture files and back."""

import io
from functools import lru_cache
from pathlib import Path

import cv2
import numpy as np
from PIL import Image

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import encode_srgb


def to_bytes_srgb(rgb_linear: FloatArray) -> ByteArray:
    """Linear light as encoded bytes. (..., 3) to (..., 3)."""
    return np.rint(encode_srgb(rgb_linear) * 255).astype(np.uint8)


def jpeg(srgb: ByteArray, quality: int = 88) -> bytes:
    """A JPEG file. srgb: (rows, columns, 3)."""
    return _saved(Image.fromarray(srgb), "JPEG", quality=quality)


def webp_inside(srgb: ByteArray, mask: BoolArray) -> bytes:
    """A WebP file that shows only what lies inside a mask."""
    return _saved(Image.fromarray(np.dstack([srgb, mask.astype(np.uint8) * 255])), "WEBP", quality=85)


def webp_with(srgb: ByteArray, opacity: FloatArray) -> bytes:
    """A WebP file that lets the ground show through. opacity: (rows, columns), 0 to 1."""
    seen = np.rint(opacity * 255).astype(np.uint8)
    return _saved(Image.fromarray(np.dstack([srgb, seen])), "WEBP", quality=88)


def read_cut_out(content: bytes) -> tuple[ByteArray, FloatArray]:
    """A picture that shows only a part: (rows, columns, 3), encoded sRGB, and its opacity, 0 to 1."""
    seen = np.asarray(Image.open(io.BytesIO(content)).convert("RGBA"))
    return seen[..., :3].copy(), seen[..., 3] / 255.0


def read_with_opacity(content: bytes) -> ByteArray:
    """The same as it is shown: (rows, columns, 4), encoded sRGB and opacity."""
    return np.asarray(Image.open(io.BytesIO(content)).convert("RGBA"))


def mask_png(mask: BoolArray) -> bytes:
    """A mask as a PNG file of one bit."""
    return _saved(Image.fromarray(mask), "PNG")


def read_mask(content: bytes) -> BoolArray:
    """The mask of such a file."""
    mask: BoolArray = np.asarray(Image.open(io.BytesIO(content)).convert("L")) > 127
    return mask


def size_of(path: Path) -> tuple[int, int]:
    """Width and height of a picture, without decoding it."""
    return _size_of(path, path.stat().st_mtime_ns)


@lru_cache(maxsize=4096)
def _size_of(path: Path, written_at: int) -> tuple[int, int]:
    with Image.open(path) as picture:
        return picture.size


def resized(srgb: ByteArray, width: int, height: int) -> ByteArray:
    """A picture at another size: averaged when smaller, smooth when larger."""
    smaller = height * width < srgb.shape[0] * srgb.shape[1]
    method = cv2.INTER_AREA if smaller else cv2.INTER_CUBIC
    return cv2.resize(srgb, (width, height), interpolation=method).astype(np.uint8)


def thumbnail(srgb: ByteArray, side: int = 240) -> ByteArray:
    """A picture no longer than a side."""
    scale = min(1.0, side / max(srgb.shape[:2]))
    return resized(srgb, max(1, round(srgb.shape[1] * scale)), max(1, round(srgb.shape[0] * scale)))


def _saved(image: Image.Image, format: str, **options: int) -> bytes:
    out = io.BytesIO()
    image.save(out, format, **options)
    return out.getvalue()
