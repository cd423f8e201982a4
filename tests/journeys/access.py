"""Whom a page shuts out, by axe."""

from pathlib import Path

AXE = Path(__file__).parents[2] / "web/node_modules/axe-core/axe.min.js"


def shut_out(page, where):
    """What is seriously wrong on a page, by where it is and the rule, with some of the places."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    found = page.evaluate("axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']})")
    return {
        (where, v["id"]): [node["target"] for node in v["nodes"]][:3]
        for v in found["violations"]
        if v["impact"] in ("serious", "critical")
    }
