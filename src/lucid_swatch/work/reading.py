"""Photos are read in processes of their own, so that the screens stay quick and a crash stays small."""

import logging
import multiprocessing
import os
import signal
import time
from concurrent.futures import Future, ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from pathlib import Path
from threading import Lock, Thread

import cv2
from threadpoolctl import threadpool_limits

from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.store.database import Sessions, connect
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.intake import read_kept_photo

log = logging.getLogger(__name__)


class ReadingQueue:
    """The photos that wait. What waits is written in the database, so that a restart goes on where it was."""

    def __init__(self, sessions: Sessions, folder: Path, workers: int = 2) -> None:
        self.sessions, self.folder, self.workers = sessions, folder, workers
        self._pool: ProcessPoolExecutor | None = None
        self._lock = Lock()

    def resume(self) -> None:
        """Takes up what was left unfinished."""
        with self.sessions() as session:
            waiting = Photos(session).unfinished()
        for id in waiting:
            self.add(id)

    def make_ready(self) -> None:
        """Has a process ready before the first photo comes; does nothing when one is."""
        with self._lock:
            if self._pool is None:
                self._started().submit(_warm)

    def add(self, id: str) -> Future[None]:
        """Lets a photo be read as soon as a process is free."""
        with self._lock:
            try:
                future = self._started().submit(_read, str(self.folder), id)
            except BrokenProcessPool:
                self._pool = None
                future = self._started().submit(_read, str(self.folder), id)
        future.add_done_callback(lambda done: _note_failure(id, done))
        return future

    def stop(self) -> None:
        """Lets the photos under way be finished and drops the rest, which wait in the database."""
        if self._pool is not None:
            self._pool.shutdown(wait=True, cancel_futures=True)
            self._pool = None

    def _started(self) -> ProcessPoolExecutor:
        if self._pool is None:
            # a fresh interpreter: a fork would inherit the locks of the threads of this one
            context = multiprocessing.get_context("spawn")
            self._pool = ProcessPoolExecutor(
                self.workers, mp_context=context, initializer=_prepare, initargs=(os.getpid(),)
            )
        return self._pool


def _note_failure(id: str, done: Future[None]) -> None:
    if not done.cancelled() and (problem := done.exception()) is not None:
        log.error("reading photo %s failed", id, exc_info=problem)


def _prepare(server: int) -> None:
    """One thread each: the processes share the cores among themselves. Ctrl+C is the business of the main one."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    cv2.setNumThreads(1)
    threadpool_limits(1)
    Thread(target=_end_with_the_server, args=(server,), name="end with the server", daemon=True).start()


def _end_with_the_server(server: int) -> None:
    """A server that is killed cannot say so; its reading processes must not go on beside the next one's."""
    while os.getppid() == server:
        time.sleep(ORPHANED_WITHIN)
    os._exit(1)


ORPHANED_WITHIN = 0.3
"""Seconds."""


def _warm() -> None:
    """Loads what the first photo will need."""
    SalientObjectNetwork(threads=1).load()


def _read(folder: str, id: str) -> None:
    path = Path(folder)
    sessions = connect(path)
    read_kept_photo(sessions, Folder(path), SalientObjectNetwork(threads=1), id)
