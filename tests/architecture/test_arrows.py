"""The arrows between the packages point inward."""

import ast
from pathlib import Path

import pytest

SOURCE = Path(__file__).parents[2] / "src/lucid_swatch"
MAY_IMPORT = {
    "core": set(),
    "formats": {"core", "files"},
    "files": {"core"},
    "store": {"core"},
    "outside": {"core"},
    "usecases": {"core", "files", "store", "outside", "formats"},
    "work": {"core", "usecases", "store", "files", "outside", "formats"},
    "demo": {"core", "usecases", "files", "store", "outside", "work", "formats"},
    "api": {"usecases", "work", "store", "formats", "core", "files", "outside"},
    "cli": {"api", "usecases", "store", "formats", "core", "files", "outside", "assemble", "settings", "demo"},
    "settings": set(),
    "assemble": {"core", "formats", "files", "store", "outside", "usecases", "work", "demo", "api", "settings"},
}
CORE_MAY_USE = {"numpy", "cv2", "scipy", "skimage", "ortools"}
# within the core: colour, then photo, garment and client, then looks, whose rooms have arrows of their own
CORE_ROOMS = {
    "core": set(),
    "core/colour": {"core"},
    "core/photo": {"core", "core/colour"},
    "core/garment": {"core", "core/colour", "core/photo"},
    "core/client": {"core", "core/colour", "core/photo", "core/garment"},
    "core/look": {"core/look/rules", "core/look/scorer"},
    "core/look/scorer": {"core/look", "core/colour", "core/garment", "core/client"},
    "core/look/rules": {"core/look", "core/look/scorer", "core/colour", "core/garment", "core/client"},
    "core/look/remarks": {"core/look", "core/look/scorer", "core/garment", "core/client"},
    "core/look/dressing": {
        "core",
        "core/look",
        "core/look/scorer",
        "core/look/remarks",
        "core/colour",
        "core/garment",
        "core/client",
    },
    "core/look/making": {
        "core",
        "core/look",
        "core/look/scorer",
        "core/look/rules",
        "core/look/remarks",
        "core/look/dressing",
        "core/colour",
        "core/garment",
    },
    "core/look/planning": {
        "core",
        "core/look",
        "core/look/dressing",
        "core/look/making",
        "core/colour",
        "core/garment",
    },
    "core/look/book": {
        "core/look",
        "core/look/dressing",
        "core/look/making",
        "core/look/figure",
        "core/colour",
        "core/garment",
        "core/client",
    },
    "core/look/wearing": {"core/look/planning"},
    "core/look/buying": {"core/look", "core/look/dressing", "core/colour", "core/garment", "core/client"},
    "core/look/seen": {"core/colour"},
    "core/look/figure": {"core/look", "core/colour", "core/garment"},
}
CORE_ROOMS["core/look"] |= {"core", "core/colour", "core/garment", "core/client"}
STANDARD = {
    "datetime",
    "dataclasses",
    "enum",
    "collections",
    "concurrent",
    "functools",
    "importlib",
    "statistics",
    "csv",
    "typing",
    "math",
    "itertools",
    "re",
    "tomllib",
}
FILES = sorted(p.relative_to(SOURCE) for p in SOURCE.rglob("*.py") if p.parent != SOURCE or p.stem in MAY_IMPORT)


def imports_of(path):
    """What a file imports, by whole names; relative ones are followed."""
    package = ("lucid_swatch", *path.parts[:-1])
    for node in ast.walk(ast.parse((SOURCE / path).read_text())):
        if isinstance(node, ast.Import):
            yield from (alias.name for alias in node.names)
        elif isinstance(node, ast.ImportFrom) and node.level == 0:
            yield node.module
        elif isinstance(node, ast.ImportFrom):
            start = package[: len(package) - node.level + 1]
            yield from (
                ".".join((*start, *([node.module] if node.module else [alias.name]))) for alias in node.names[:1]
            )


@pytest.mark.parametrize("path", FILES, ids=str)
def test_the_arrows_point_inward(path):
    layer = path.parts[0].removesuffix(".py")
    for name in imports_of(path):
        if name.startswith("lucid_swatch."):
            other = name.split(".")[1]
            assert other == layer or other in MAY_IMPORT[layer], f"{path} may not import {name}"


CORE = [p for p in FILES if p.parts[0] == "core"]


def room_of(name):
    """The room of the core in which a module lies. name: whole."""
    parts = name.split(".")[1:]
    folder = parts if (SOURCE.joinpath(*parts)).is_dir() else parts[:-1]
    return "/".join(folder)


@pytest.mark.parametrize("path", CORE, ids=str)
def test_the_arrows_within_the_core_point_inward(path):
    room = "/".join(path.parts[:-1])
    for name in imports_of(path):
        if name.startswith("lucid_swatch."):
            other = room_of(name)
            assert other == room or other in CORE_ROOMS[room], f"{path} may not import {name}"


def test_relative_imports_are_followed():
    found = set(imports_of(Path("core/look/dressing/mends.py")))
    assert "lucid_swatch.core.look.verdict" in found
    assert "lucid_swatch.core.garment.piece" in found


@pytest.mark.parametrize("path", CORE, ids=str)
def test_the_core_knows_no_file_database_or_web(path):
    for name in imports_of(path):
        top = name.split(".")[0]
        assert name.startswith("lucid_swatch.core") or top in CORE_MAY_USE | STANDARD, f"{path} imports {name}"
