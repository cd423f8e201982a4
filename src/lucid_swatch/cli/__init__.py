"""The command line: one file a command."""

from importlib.metadata import version
from typing import Annotated

import typer

from .keeping import backup, check, restore
from .measure import measure
from .openapi import openapi
from .score import score
from .serve import demo, serve
from .sort import sort

app = typer.Typer(
    name="lucid-swatch",
    no_args_is_help=True,
    add_completion=False,
    pretty_exceptions_enable=False,
    help="Measures, sorts and scores the colours of a client's wardrobe.",
)
app.command()(measure)
app.command()(sort)
app.command()(score)
app.command()(serve)
app.command()(demo)
app.command()(backup)
app.command()(restore)
app.command()(check)
app.command(hidden=True)(openapi)


def _tell_version(wanted: bool) -> None:
    if wanted:
        typer.echo(f"lucid-swatch {version('lucid-swatch')}")
        raise typer.Exit


@app.callback()
def everywhere(
    told: Annotated[
        bool, typer.Option("--version", help="Say which version this is.", callback=_tell_version, is_eager=True)
    ] = False,
) -> None:
    """What goes with every command."""


def main() -> None:
    """The installed command."""
    app()
