"""lucid-swatch serve and lucid-swatch demo."""

import errno
import os
import socket
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer
from pydantic import ValidationError

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.settings import Settings
from lucid_swatch.store.lock import FolderLock

from .output import stop

if TYPE_CHECKING:
    from lucid_swatch.api.context import Context
    from lucid_swatch.outside.reader import SocketReader
    from lucid_swatch.usecases.reader import Hand

LOOPBACK = "127.0.0.1"
PORTS_TRIED = 20
STOPS_WITHIN = 5
"""Seconds that an open connection may hold up the end."""


Port = Annotated[int | None, typer.Option(help="The port to listen on; 0 takes any.", min=0, max=65535)]


def serve(port: Port = None) -> None:
    """Start the application on this machine, with your own clients."""
    try:
        settings = read_settings()
        _run(settings.data, settings, port)
    except Problem as problem:
        stop(problem)


def demo(port: Port = None) -> None:
    """Start the application with a sample client, made on the first start and kept apart from your own."""
    # only this command draws photos; the other ones start sooner without it
    from lucid_swatch.demo.build import build_demo
    from lucid_swatch.demo.hand import SampleHand
    from lucid_swatch.outside.reader import SocketReader
    from lucid_swatch.outside.reader_stand_in import ReaderStandIn

    try:
        settings = read_settings()
        if settings.demo_data.resolve() == settings.data.resolve():
            do = "Set LUCID_SWATCH_DEMO_DATA to another folder."
            raise Refused("the demo would mix with your own clients.", str(settings.data), do)
        build_demo(settings.demo_data, lambda text: typer.echo(f"\r{text}   ", nl=False, err=True), settings.workers)
        typer.echo("", err=True)
        with ReaderStandIn() as device:
            hand = SampleHand(device.port, settings.demo_data / "samples")
            _run(settings.demo_data, settings, port, SocketReader(device.port), hand)
    except Problem as problem:
        stop(problem)


def read_settings() -> Settings:
    """The settings. Refused, naming the variable, when one is wrong."""
    try:
        return Settings()
    except ValidationError as problem:
        fault = problem.errors()[0]
        name = f"LUCID_SWATCH_{str(fault['loc'][0]).upper()}"
        raise Refused(f"the setting is wrong ({str(fault['msg']).lower()}).", name, "Correct or unset it.") from None


def _run(
    data: Path, settings: Settings, port: int | None, reader: "SocketReader | None" = None, hand: "Hand | None" = None
) -> None:
    # the other commands start sooner without the web
    import uvicorn

    from lucid_swatch.assemble import make_application

    # what is written from now on is nobody else's, whatever writes it
    os.umask(0o077)
    lock = FolderLock(data)
    try:
        app = make_application(data, settings, reader, hand)
        listening = open_port(settings.port if port is None else port)
        context: Context = app.state.context
        place = f"http://{LOOPBACK}:{listening.getsockname()[1]}/"
        lock.tell(place)
        typer.echo(f"Lucid Swatch is at {place}?key={context.key} and keeps its data in {data}")
        typer.echo("Whoever has this address can open it: it is yours alone. Stop it with Ctrl+C.")
        if context.found.aside:
            typer.echo(
                f"{context.found.aside} files that the database does not know were set aside; the Studio shows them."
            )
        config = uvicorn.Config(
            app, log_level="warning", access_log=False, server_header=False, timeout_graceful_shutdown=STOPS_WITHIN
        )
        uvicorn.Server(config).run(sockets=[listening])
    finally:
        lock.release()


def open_port(wanted: int) -> socket.socket:
    """A socket on the loopback address, on the wanted port or the next free one. Refused when all are taken."""
    for port in range(wanted, min(wanted + PORTS_TRIED, 65536)):
        # named TCP in full, or asyncio leaves small packets waiting 40 ms for company
        listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listening.bind((LOOPBACK, port))
            listening.listen(128)
        except OSError as problem:
            listening.close()
            if problem.errno not in (errno.EADDRINUSE, errno.EACCES):
                raise Refused(
                    f"the port cannot be opened ({problem.strerror}).", str(port), "Choose another with --port."
                ) from None
        else:
            return listening
    raise Refused(f"no port from {wanted} on is free.", "port", "Choose another with --port.")
