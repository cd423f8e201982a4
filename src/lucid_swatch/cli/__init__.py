"""The command line: one file a command, loaded when it is asked for."""

import sys
from collections.abc import Iterable
from importlib import import_module
from importlib.metadata import version
from typing import Annotated, Any

import typer

COMMANDS = {
    "measure": "measure",
    "sort": "sort",
    "score": "score",
    "make": "make",
    "turn": "turn",
    "consider": "consider",
    "gaps": "gaps",
    "capsule": "capsule",
    "plan": "plan",
    "book": "book",
    "serve": "serve",
    "demo": "serve",
    "backup": "keeping",
    "restore": "keeping",
    "check": "keeping",
    "openapi": "openapi",
}
"""The file of each command."""
HIDDEN = frozenset({"openapi"})


def _tell_version(wanted: bool) -> None:
    if wanted:
        typer.echo(f"lucid-swatch {version('lucid-swatch')}")
        raise typer.Exit


def _everywhere(
    told: Annotated[
        bool, typer.Option("--version", help="Say which version this is.", callback=_tell_version, is_eager=True)
    ] = False,
) -> None:
    """What goes with every command."""


def app_of(names: Iterable[str]) -> typer.Typer:
    """The application with some commands: what the others need takes longer to load than most of them take to run."""
    made = typer.Typer(
        name="lucid-swatch",
        no_args_is_help=True,
        add_completion=False,
        pretty_exceptions_enable=False,
        help="Measures, sorts and scores the colours of a client's wardrobe.",
    )
    made.callback()(_everywhere)
    for name in names:
        command = getattr(import_module(f".{COMMANDS[name]}", __name__), name)
        made.command(hidden=name in HIDDEN)(command)
    return made


def __getattr__(name: str) -> Any:
    if name == "app":
        return app_of(COMMANDS)
    raise AttributeError(f"there is no {name} here")


def main() -> None:
    """The installed command."""
    asked = [one for one in sys.argv[1:2] if one in COMMANDS]
    app_of(asked or COMMANDS)()
