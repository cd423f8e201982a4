"""The command line: one file a command."""

import typer

from .measure import measure
from .score import score
from .sort import sort

app = typer.Typer(
    name="lucid-swatch", no_args_is_help=True, add_completion=False, pretty_exceptions_enable=False,
    help="Measures, sorts and scores the colours of a client's wardrobe.",
)  # fmt: skip
app.command()(measure)
app.command()(sort)
app.command()(score)


def main() -> None:
    """The installed command."""
    app()
