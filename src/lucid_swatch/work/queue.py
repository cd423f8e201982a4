"""What takes long is done in processes of its own, so that the screens stay quick, a crash stays small, and what takes too
long can be ended."""

import logging
import multiprocessing
import os
import signal
import time
from collections import deque
from collections.abc import Callable, Iterable, Iterator
from concurrent.futures import CancelledError, Future
from contextlib import contextmanager
from dataclasses import dataclass, field
from multiprocessing.connection import Connection, wait
from multiprocessing.process import BaseProcess
from pathlib import Path
from threading import Condition, Thread
from typing import Any, TypeVar

import cv2
from sqlalchemy.exc import SQLAlchemyError
from threadpoolctl import threadpool_limits

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade
from lucid_swatch.store.database import Sessions, connect
from lucid_swatch.store.folder import Folder, Unwritable
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.usecases.eyes import Sight
from lucid_swatch.usecases.jobs import do_job, patience_with, set_down_job

log = logging.getLogger(__name__)
T = TypeVar("T")

READS_WITHIN = 60.0
"""Seconds that a photo may take; the slowest of many thousands took a tenth of it on a small machine."""
TRIES = 3
"""Times that a photo is begun when its process dies: it may have died of something else."""
TRIES_AGAIN_AFTER = 5.0
"""Seconds after which a photo that a full disk or a busy database kept back is tried again."""
ENDS_WITHIN = 3.0
"""Seconds that a reading under way may go on when the application ends; the photo then waits in the database."""
ORPHANED_WITHIN = 0.3
"""Seconds."""
YIELDS = 10
"""How far a reading process stands back for the screens when the cores are all taken."""


ENDING = Refused("the application is being stopped.", "", "Send it again when it runs.")


@dataclass(slots=True, eq=False)
class _Task:
    """Something to be done in a process: a job by the id of what it is about, or a look at some values."""

    about: str | None
    look: Callable[..., Any] | None = None
    at: tuple[object, ...] = ()
    future: "Future[Any]" = field(default_factory=Future)
    begun: int = 0
    not_before: float = 0.0
    ended: bool = False
    """Whether it is to be stopped, because its photo is erased."""


class WorkQueue:
    """The jobs that wait. What waits is a row of the database, so that a restart goes on where it was."""

    def __init__(self, sessions: Sessions, folder: Path, workers: int = 2, within: float = READS_WITHIN) -> None:
        self.sessions, self.folder, self.within = sessions, folder, within
        self._waiting: deque[_Task] = deque()
        self._changed = Condition()
        self._hands = [_Hand(self) for _ in range(workers)]
        self.stopped = False

    def resume(self) -> None:
        """Takes up what was left unfinished."""
        with self.sessions() as session:
            waiting = [job.about for job in Jobs(session).all()]
        for about in waiting:
            self.add(about)

    def make_ready(self) -> None:
        """Has a process ready before the first photo comes; does nothing when one is."""
        if not self._hands[0].started:
            self._put(_Task(None, _warm))

    def add(self, id: str) -> "Future[None]":
        """Lets a job be done as soon as a process is free. id: of what it is about."""
        return self._put(_Task(id))

    def add_all(self, ids: Iterable[str]) -> None:
        """Lets several jobs be done."""
        for id in ids:
            self.add(id)

    def rest(self) -> None:
        """Waits until nothing is under way and nothing waits that could be begun."""
        with self._changed:
            self._changed.wait_for(lambda: not self._waiting and all(hand.task is None for hand in self._hands))

    def see(self, look: Callable[..., T], *at: object) -> T:
        """What a look at some values finds, before the photos that wait. Refused when it takes too long."""
        try:
            found: T = self._put(_Task(None, look, at), first=True).result()
        except CancelledError:
            raise ENDING from None
        return found

    def end(self, ids: Iterable[str]) -> None:
        """Ends the reading of some photos, waiting or under way; when it returns, nothing writes for them any more."""
        gone = set(ids)
        with self._changed:
            for task in [task for task in self._waiting if task.about in gone]:
                self._waiting.remove(task)
                task.future.cancel()
            under_way = [hand for hand in self._hands if hand.task is not None and hand.task.about in gone]
            for hand in under_way:
                assert hand.task is not None
                hand.task.ended = True
                hand.kill()
            self._changed.wait_for(lambda: not any(h.task is not None and h.task.about in gone for h in self._hands))

    @contextmanager
    def without(self, ids: Iterable[str]) -> Iterator[None]:
        """While nothing is read of some photos that are being erased; what is not erased after all is read again."""
        some = set(ids)
        self.end(some)
        try:
            yield
        except BaseException:
            with self.sessions() as session:
                left = [job.about for job in Jobs(session).all() if job.about in some]
            for about in left:
                self.add(about)
            raise

    def stop(self) -> None:
        """Lets the photos under way be finished if that is soon, and drops the rest, which wait in the database."""
        with self._changed:
            self.stopped = True
            for task in self._waiting:
                task.future.cancel()
            self._waiting.clear()
            self._changed.notify_all()
        for hand in self._hands:
            hand.join(ENDS_WITHIN)

    def next(self, hand: "_Hand") -> _Task | None:
        """The task whose turn it is for a hand, waited for; None when the queue was stopped."""
        with self._changed:
            while not self.stopped:
                now = time.monotonic()
                ready = next((task for task in self._waiting if task.not_before <= now), None)
                if ready is not None:
                    self._waiting.remove(ready)
                    hand.task = ready
                    return ready
                later = min((task.not_before for task in self._waiting), default=None)
                self._changed.wait(None if later is None else later - now)
            return None

    def again(self, task: _Task, after: float) -> None:
        """Has a task tried again; when the queue was stopped, it waits in the database."""
        with self._changed:
            if self.stopped or task.ended:
                task.future.cancel()
                return
            task.not_before = time.monotonic() + after
            # one that died goes first, one that a full disk keeps back lets others go before
            self._waiting.appendleft(task) if after == 0 else self._waiting.append(task)
            self._changed.notify()

    def free(self, hand: "_Hand") -> None:
        """A process is done with its task."""
        with self._changed:
            hand.task = None
            self._changed.notify_all()

    def _put(self, task: _Task, first: bool = False) -> "Future[Any]":
        with self._changed:
            if self.stopped:
                task.future.cancel()
                return task.future
            self._waiting.appendleft(task) if first else self._waiting.append(task)
            for hand in self._hands:
                hand.start()
            self._changed.notify()
        return task.future


class _Hand:
    """One thread with one process: it hands tasks to the process, and replaces it when it dies or takes too long."""

    def __init__(self, queue: WorkQueue) -> None:
        self.queue = queue
        self.task: _Task | None = None
        self._thread: Thread | None = None
        self._process: BaseProcess | None = None
        self._link: Connection | None = None

    @property
    def started(self) -> bool:
        """Whether it waits for tasks."""
        return self._thread is not None

    def start(self) -> None:
        """Begins to wait for tasks."""
        if self._thread is None:
            self._thread = Thread(target=self._run, name="reading", daemon=True)
            self._thread.start()

    def kill(self) -> None:
        """Ends its process; the thread sees that and goes on with another."""
        if self._process is not None:
            self._process.kill()

    def join(self, seconds: float) -> None:
        """Waits for the end of the thread; after some seconds its process is ended."""
        if self._thread is None:
            return
        self._thread.join(seconds)
        if self._thread.is_alive():
            self.kill()
            self._thread.join()

    def _run(self) -> None:
        while (task := self.queue.next(self)) is not None:
            try:
                self._do(task)
            except Exception as problem:
                log.exception("a photo could not be handed on")
                if not task.future.done():
                    task.future.set_exception(problem)
            finally:
                self.queue.free(self)
        self._let_go()

    def _do(self, task: _Task) -> None:
        if task.begun == 0 and not task.future.set_running_or_notify_cancel():
            return
        if task.ended:
            task.future.set_result(None)
            return
        task.begun += 1
        link = self._ready()
        try:
            link.send((task.about, task.look, task.at))
        except OSError:
            self._died(task, "ended")
            return
        process = self._process
        assert process is not None
        patience = 1.0 if task.about is None else patience_with(self.queue.sessions, task.about)
        ready = wait([link, process.sentinel], patience * self.queue.within)
        if link in ready:
            try:
                kind, value = link.recv()
            except (EOFError, OSError):
                self._died(task, "ended")
                return
            self._answered(task, kind, value)
        else:
            self._died(task, "ended" if ready else "took too long")

    def _answered(self, task: _Task, kind: str, value: Any) -> None:
        if kind == "done":
            if task.about is not None:
                # put in line before anybody hears that this one is done
                for about in value:
                    self.queue.add(about)
                value = None
            task.future.set_result(value)
        elif kind == "later" and task.about is not None:
            self.queue.again(task, TRIES_AGAIN_AFTER)
        else:
            task.future.set_exception(value)

    def _died(self, task: _Task, how: str) -> None:
        """The process is gone, or is ended now. Once is bad luck for a photo; twice, or too long, is said on it."""
        self._let_go(kill=True)
        if task.ended:
            task.future.set_result(None)
            return
        if how == "ended" and task.begun < TRIES and not self.queue.stopped:
            self.queue.again(task, 0)
            return
        if self.queue.stopped and how == "ended":
            if task.about is None:
                task.future.set_exception(ENDING)
            else:
                task.future.set_result(None)  # it waits in the database
            return
        what = (
            f"this photo could not be read within {self.queue.within:.0f} seconds."
            if how != "ended"
            else "the program that reads photos ended again and again at this one."
        )
        problem = Refused(what, "", "Send another photo of it, or a smaller copy.")
        log.warning("reading was given up: %s", what)
        if task.about is None:
            task.future.set_exception(problem)
            return
        try:
            set_down_job(self.queue.sessions, task.about, problem)
        except SQLAlchemyError:
            self.queue.again(task, TRIES_AGAIN_AFTER)
            return
        task.future.set_result(None)

    def _ready(self) -> Connection:
        if self._process is None or not self._process.is_alive() or self._link is None:
            self._let_go(kill=True)
            # a fresh interpreter: a fork would inherit the locks of the threads of this one
            context = multiprocessing.get_context("spawn")
            self._link, theirs = context.Pipe()
            self._process = context.Process(
                target=_serve, args=(theirs, str(self.queue.folder), os.getpid()), name="reading", daemon=True
            )
            self._process.start()
            theirs.close()
        return self._link

    def _let_go(self, kill: bool = False) -> None:
        if self._link is not None:
            self._link.close()
        if self._process is not None:
            if kill:
                self._process.kill()
            self._process.join(ENDS_WITHIN)
            if self._process.is_alive():
                self._process.kill()
                self._process.join()
        self._link = self._process = None


def _serve(link: Connection, folder: str, server: int) -> None:
    """What a reading process does: one task after the other, until the server lets go of it.

    One thread each: the processes share the cores among themselves. Ctrl+C is the business of the main one."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    os.nice(YIELDS)
    os.umask(0o077)
    cv2.setNumThreads(1)
    threadpool_limits(1)
    Thread(target=_end_with_the_server, args=(server,), name="end with the server", daemon=True).start()
    path = Path(folder)
    sessions, files, sight = connect(path), Folder(path), Sight(SalientObjectNetwork(threads=1), FaceCascade())
    while True:
        try:
            about, look, at = link.recv()
            link.send(_done(sessions, files, sight, about, look, at))
        except (EOFError, OSError):
            return  # the server is gone, or has no use for this any more


def _done(
    sessions: Sessions,
    folder: Folder,
    sight: Sight,
    about: str | None,
    look: Callable[..., Any] | None,
    at: tuple[Any, ...],
) -> tuple[str, Any]:
    try:
        if about is not None:
            return "done", do_job(sessions, folder, sight, about)
        assert look is not None
        return "done", look(sight, *at)
    except Unwritable as problem:
        return "later", problem
    except Problem as problem:
        return "failed", problem
    except (SQLAlchemyError, OSError):
        return "later", Refused("the data folder cannot be written now.", "data folder", "Make room, then try again.")
    except MemoryError:
        return "failed", Refused("this photo needs more memory than there is.", "", "Send a smaller copy.")
    except Exception as problem:
        # what a fault of ours says may hold what is kept about a client: its kind and place are enough
        log.error("reading failed: %s at %s", type(problem).__name__, _place(problem))
        return "failed", Refused("the photo could not be read.", "", "Send another photo.")


def _place(problem: BaseException) -> str:
    trace = problem.__traceback__
    while trace is not None and trace.tb_next is not None:
        trace = trace.tb_next
    return "?" if trace is None else f"{Path(trace.tb_frame.f_code.co_filename).name}:{trace.tb_lineno}"


def _end_with_the_server(server: int) -> None:
    """A server that is killed cannot say so; its reading processes must not go on beside the next one's."""
    while os.getppid() == server:
        time.sleep(ORPHANED_WITHIN)
    os._exit(1)


def _warm(sight: Sight) -> None:
    """Loads what the first photo will need."""
    assert isinstance(sight.cut_out, SalientObjectNetwork)
    sight.cut_out.load()
