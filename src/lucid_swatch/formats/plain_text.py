"""Text of files that people open in other programs: read strictly, written so that nothing in it is run."""

import csv
import io
import re

from lucid_swatch.core.problems import Refused

FORMULA = ("=", "+", "-", "@", "\t", "\r")
"""What a spreadsheet takes for the start of a formula."""
CONTROL = re.compile(r"[\x00-\x09\x0b-\x1f\x7f\x85\u2028\u2029]")
MAX_TEXT_BYTES = 20 * 1024 * 1024


def text_content(content: bytes, file: str) -> str:
    """The text of a file. Refused when it is too large, no UTF-8, or holds a zero byte."""
    if len(content) > MAX_TEXT_BYTES:
        raise Refused("the file is larger than 20 MB.", file, "Send a smaller one.")
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as problem:
        where = f"{file}, byte {problem.start}"
        raise Refused("the file is not UTF-8 text.", where, "Save it again as UTF-8.") from None
    if "\0" in text:
        raise Refused("the file is not text.", file, "Save it again as UTF-8 text.")
    return text.replace("\r\n", "\n")


def plain_cell(text: str) -> str:
    """A cell of a table that no spreadsheet runs as a formula: an apostrophe stands before what looks like one.

    Line ends become plain ones and other control characters spaces, which some programs take for the end of a cell."""
    text = CONTROL.sub(" ", text.replace("\r\n", "\n").replace("\r", "\n"))
    return f"'{text}" if text.startswith((*FORMULA, "'")) else text


def read_cell(text: str, where: str) -> str:
    """A cell as it was before it was written. Refused when it is a formula."""
    if text.startswith(FORMULA):
        raise Refused(
            f"a cell begins with '{text[0]}' and may be a formula.", where, "Write it as text, without a formula."
        )
    return text[1:] if text.startswith("'") else text


def table_rows(text: str, file: str) -> list[tuple[int, list[str]]]:
    """The rows of a CSV file that are not empty, each with the line on which it ends. Refused when it is no CSV."""
    reader = csv.reader(io.StringIO(text), strict=True)
    rows: list[tuple[int, list[str]]] = []
    try:
        rows.extend((reader.line_num, row) for row in reader if row)
    except csv.Error as problem:
        raise Refused(f"this is not CSV: {problem}.", f"{file}, line {reader.line_num}", "Check the quotes.") from None
    return rows
