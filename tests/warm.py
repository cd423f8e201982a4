"""The application as the command starts it, in a process of its own that did not have to import everything first."""

import multiprocessing
import os
import signal
import sys
import time
from contextlib import contextmanager

from tests.running import STARTS_WITHIN, address_in, environment_for

IMPORTED_ONCE = [
    "lucid_swatch.cli",
    "lucid_swatch.assemble",
    "lucid_swatch.demo.build",
    "lucid_swatch.demo.hand",
    "uvicorn",
]
_context = multiprocessing.get_context("forkserver")
_context.set_forkserver_preload(IMPORTED_ONCE)


@contextmanager
def running_warm(command, data):
    """Starts `lucid-swatch COMMAND` on a data folder and gives its address; ends it afterwards."""
    told, tell = _context.Pipe(duplex=False)
    process = _context.Process(target=_run, args=(command, environment_for(command, data), tell))
    process.start()
    tell.close()
    try:
        yield _address(told)
    finally:
        if process.is_alive():
            os.kill(process.pid, signal.SIGINT)
        process.join(30)
        process.kill()
        process.join()
        told.close()


def _address(told):
    """Reads what the command prints until the address is there."""
    end, printed = time.monotonic() + STARTS_WITHIN, b""
    while told.poll(max(0.0, end - time.monotonic())):
        try:
            printed += os.read(told.fileno(), 4096)
        except EOFError:
            break
        found = address_in(printed.decode())
        if found:
            return found
    raise AssertionError("the application did not start")


def _run(command, environment, tell):
    os.dup2(tell.fileno(), 1)
    silent = os.open(os.devnull, os.O_WRONLY)
    os.dup2(silent, 2)
    sys.stdout, sys.stderr = os.fdopen(1, "w", buffering=1), os.fdopen(2, "w", buffering=1)
    os.environ.clear()
    os.environ.update(environment)
    sys.argv = ["lucid-swatch", command, "--port", "0"]
    from lucid_swatch.cli import main

    main()
