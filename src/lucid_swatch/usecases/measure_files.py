"""Measure the files of many photos: those of one room are read in one light, on all cores."""

import multiprocessing
import os
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass, replace
from pathlib import Path
from typing import TypeVar

import cv2
from threadpoolctl import threadpool_limits

from lucid_swatch.core.photo.light import Light
from lucid_swatch.core.photo.lights_together import lights_together
from lucid_swatch.core.photo.one_take import Taken, takes_of
from lucid_swatch.core.problems import Problem
from lucid_swatch.files.photo import decode_photo, read_bytes
from lucid_swatch.files.taken import taken_of
from lucid_swatch.outside.cut_out import SalientObjectNetwork

from .measure_photo import LightSource, PhotoReading, SeenPhoto, read_seen, see_photo

ALONE_UP_TO = 2
"""Photos that are not worth another process."""

Given = TypeVar("Given")
Answer = TypeVar("Answer")


@dataclass(frozen=True, slots=True)
class MeasuredFile:
    """What became of a photo on disk."""

    path: Path
    reading: PhotoReading | None
    problem: Problem | None = None
    lent_by: Path | None = None
    """The photo whose reference its light comes from, where that is another one."""


@dataclass(frozen=True, slots=True)
class _Seen:
    path: Path
    seen: SeenPhoto | None
    taken: Taken
    problem: Problem | None = None


def measure_files(paths: Sequence[Path], sources: Sequence[LightSource], apart: bool = False) -> list[MeasuredFile]:
    """Everything that is read from some photos, in their order; one that cannot be read does not stop the rest.

    sources: for each photo. apart: each is read for itself, whatever else lies on the same ground."""
    with _on_all_cores(len(paths)) as each:
        seen = each(_see, list(zip(paths, sources, strict=True)))
        evidence = [None if one.seen is None else one.seen.evidence for one in seen]
        takes = list(range(len(seen))) if apart else takes_of([one.taken for one in seen])
        lights, lenders = lights_together(evidence, takes)
        read = each(_read, [(one, light) for one, light in zip(seen, lights, strict=True)])
    return [
        replace(one, lent_by=None if lender is None or lender == k else paths[lender])
        for k, (one, lender) in enumerate(zip(read, lenders, strict=True))
    ]


def _see(given: tuple[Path, LightSource]) -> _Seen:
    path, source = given
    try:
        content = read_bytes(path)
        seen = see_photo(decode_photo(content, path.name), _network(), source)
    except Problem as problem:
        return _Seen(path, None, Taken(None), problem)
    when = taken_of(content)
    return _Seen(path, seen, Taken(seen.evidence.ground, when.at, when.camera))


def _read(given: tuple[_Seen, Light | None]) -> MeasuredFile:
    one, light = given
    if one.seen is None or light is None:
        return MeasuredFile(one.path, None, one.problem)
    try:
        return MeasuredFile(one.path, read_seen(one.seen, light))
    except Problem as problem:
        return MeasuredFile(one.path, None, problem)


_networks: list[SalientObjectNetwork] = []


def _network() -> SalientObjectNetwork:
    """One for a process."""
    if not _networks:
        _networks.append(SalientObjectNetwork())
    return _networks[0]


@contextmanager
def _on_all_cores(count: int) -> Iterator[Callable[[Callable[[Given], Answer], list[Given]], list[Answer]]]:
    """What does something for each of a list: in processes, a core each, where that is worth it."""
    cores = os.cpu_count() or 1
    if count <= ALONE_UP_TO or cores < 2:
        yield lambda act, given: [act(one) for one in given]
        return
    context = multiprocessing.get_context("spawn")
    with ProcessPoolExecutor(min(cores, count), mp_context=context, initializer=_one_core) as pool:
        yield lambda act, given: list(pool.map(act, given))


def _one_core() -> None:
    """Each process keeps to a core of its own."""
    cv2.setNumThreads(1)
    threadpool_limits(1)
    _networks.append(SalientObjectNetwork(threads=1))
