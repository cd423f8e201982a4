"""Data on standard output, words on standard error."""

import json
import sys
from typing import Any, NoReturn

import typer

from lucid_swatch.core.problems import Problem


def print_json(value: Any) -> None:
    """Prints a value as JSON."""
    json.dump(value, sys.stdout, ensure_ascii=False, indent=1)
    sys.stdout.write("\n")


def print_lines(values: list[Any]) -> None:
    """Prints a list as JSON, a line for each: of thousands, laid out, most of the time would go into the layout."""
    told = ",\n".join(json.dumps(value, ensure_ascii=False) for value in values)
    sys.stdout.write(f"[\n{told}\n]\n")


def print_table(head: list[str], rows: list[list[str]]) -> None:
    """Prints aligned columns."""
    widths = [max(len(row[c]) for row in [head, *rows]) for c in range(len(head))]
    for row in [head, *rows]:
        print("  ".join(cell.ljust(width) for cell, width in zip(row, widths, strict=True)).rstrip())


def stop(problem: Problem) -> NoReturn:
    """Says what is wrong and ends with exit code 1."""
    typer.echo(f"lucid-swatch: {problem}", err=True)
    raise typer.Exit(1)
