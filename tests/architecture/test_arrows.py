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
CORE_MAY_USE = {"numpy", "cv2", "scipy", "skimage"}
STANDARD = {
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
    "tomllib",
}
FILES = sorted(p.relative_to(SOURCE) for p in SOURCE.rglob("*.py") if p.parent != SOURCE or p.stem in MAY_IMPORT)


def imports_of(path):
    for node in ast.walk(ast.parse((SOURCE / path).read_text())):
        if isinstance(node, ast.Import):
            yield from (alias.name for alias in node.names)
        elif isinstance(node, ast.ImportFrom):
            yield node.module if node.level == 0 else "." * node.level


@pytest.mark.parametrize("path", FILES, ids=str)
def test_the_arrows_point_inward(path):
    layer = path.parts[0].removesuffix(".py")
    for name in imports_of(path):
        if name.startswith("lucid_swatch."):
            other = name.split(".")[1]
            assert other == layer or other in MAY_IMPORT[layer], f"{path} may not import {name}"


@pytest.mark.parametrize("path", [p for p in FILES if p.parts[0] == "core"], ids=str)
def test_the_core_knows_no_file_database_or_web(path):
    for name in imports_of(path):
        top = name.split(".")[0]
        assert name.startswith((".", "lucid_swatch.core")) or top in CORE_MAY_USE | STANDARD, f"{path} imports {name}"
