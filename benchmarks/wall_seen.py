"""What a person waits for on the wall: the first figure after the key, and all nine. Absolute, in a real browser."""

import shutil
import statistics
import tempfile
from pathlib import Path

from tests.running import at, browser, running

from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.store.database import open_database
from lucid_swatch.store.pieces import Pieces

from .rail import hang_many

PIECES, TIMES, NINE = 25, 10, 9

WATCH = """() => {
  window.found = []
  const see = () => {
    const drawn = document.querySelectorAll('[data-look] svg').length
    if (window.pressed && drawn !== (window.found.at(-1)?.drawn ?? 0))
      window.found.push({ drawn, at: performance.now() - window.pressed })
    requestAnimationFrame(see)
  }
  see()
  document.addEventListener('keydown', () => (window.pressed ??= performance.now()), { capture: true })
}"""


def wall_seen(demo):
    """Milliseconds from the key to the first figure and to all of nine looks from three pieces."""
    firsts, alls = [], []
    with tempfile.TemporaryDirectory() as made:
        folder = Path(made) / "data"
        shutil.copytree(demo, folder)
        hang_many(folder, PIECES)
        start = ",".join(_three_lower(folder))
        with running("demo", folder) as url, browser() as chromium:
            page = chromium.new_context(viewport={"width": 1280, "height": 800}).new_page()
            for _ in range(TIMES):
                page.goto(f"{at(url, 'clients/many/make')}&start={start}")
                page.get_by_role("button", name=f"Make {NINE} looks").wait_for()
                page.wait_for_load_state("networkidle")
                page.evaluate(WATCH)
                page.keyboard.press("m")
                # nothing is looked for meanwhile: finding by role keeps the page busy itself
                page.wait_for_timeout(3000)
                found = page.evaluate("window.found")
                firsts.append(found[0]["at"])
                alls.append(found[-1]["at"])
            page.goto("about:blank")
    return {
        f"first figure of nine, rail of {PIECES}, median ms": round(statistics.median(firsts)),
        f"first figure of nine, rail of {PIECES}, slowest ms": round(max(firsts)),
        f"all figures of nine, rail of {PIECES}, median ms": round(statistics.median(alls)),
        f"all figures of nine, rail of {PIECES}, slowest ms": round(max(alls)),
    }


def _three_lower(folder):
    with open_database(folder)() as session:
        pieces = [hung.piece for hung in Pieces(session).of_client("many")]
    return [piece.id for piece in pieces if zone_of(piece.category) is Zone.LOWER][:3]
