"""Searches a data folder for words, in the names of its files and in the bytes of its database; run as a program.

It needs nothing but Python, so that it starts at once: words come on standard input, a line each; names go out."""

import os
import re
import sys

CHUNK = 1 << 22


def holds(path: str, wanted: "re.Pattern[bytes]", longest: int) -> bool:
    """Whether a file holds one of the words, read in pieces that overlap."""
    last = b""
    with open(path, "rb") as file:
        while chunk := file.read(CHUNK):
            if wanted.search(last + chunk):
                return True
            last = chunk[-longest:]
    return False


def main(folder: str, words: list[bytes]) -> None:
    """Prints the files that hold one of the words."""
    if not words:
        return
    wanted, longest = re.compile(b"|".join(map(re.escape, words))), max(map(len, words))
    for place, _, names in os.walk(folder):
        for name in sorted(names):
            path = os.path.join(place, name)
            inside = os.path.relpath(path, folder)
            try:
                if wanted.search(os.fsencode(inside)) or (".sqlite" in name and holds(path, wanted, longest)):
                    print(inside)
            except FileNotFoundError:
                continue  # went meanwhile


if __name__ == "__main__":
    main(sys.argv[1], [word for word in sys.stdin.buffer.read().splitlines() if word])
