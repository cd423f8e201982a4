"""Work that goes on beside the rest, on a core of its own where this process may use more than one."""

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from functools import cache
from typing import TypeVar

import cv2

Answer = TypeVar("Answer")


def beside(act: Callable[[], Answer]) -> Callable[[], Answer]:
    """Begins something now, and gives what answers with its outcome or raises what it raised.

    A process that was told to use one thread begins it when it is asked for; what nobody asks for is then never done.
    """
    if cv2.getNumThreads() < 2:
        return cache(act)
    # a thread of its own each time: those of a common pool could wait for one another
    with_one = ThreadPoolExecutor(1, thread_name_prefix="beside")
    answer = with_one.submit(act)
    with_one.shutdown(wait=False)
    return answer.result
