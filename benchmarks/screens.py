"""What a person feels: the first page, a swap, and how much script the first page loads. Absolute, in a real browser."""

import gzip
import json
import re
import shutil
import statistics
import tempfile
from pathlib import Path

from tests.running import at, browser, running

from .rail import TRACED, busy_stretches, hang_many

STATIC = Path(__file__).parents[1] / "src/lucid_swatch/static"

SWAPS = """async () => {
  const changes = () => [...document.querySelectorAll('.goes .change')].map((one) => one.textContent).join()
  const whole = () => document.querySelector('.tapes').innerText
  const click = (button) => new Promise((done) => {
    const [start, effects, verdict] = [performance.now(), changes(), whole()]
    const took = { verdict: null, effects: null }
    const seen = new MutationObserver(() => requestAnimationFrame(() => {
      if (took.verdict === null && whole() !== verdict) took.verdict = performance.now() - start
      if (took.verdict !== null && took.effects === null && changes() !== effects) took.effects = performance.now() - start
      if (took.verdict !== null && took.effects !== null) { seen.disconnect(); done(took) }
    }))
    seen.observe(document.querySelector('.looks'), { subtree: true, attributes: true, childList: true, characterData: true })
    button.click()
  })
  const took = []
  for (let i = 0; i < 44; i++) {
    const feet = document.querySelector('section[aria-label="Feet"]')
    const others = [...feet.querySelectorAll('button')].filter((b) => b.getAttribute('aria-pressed') === 'false')
    took.push(await click(others[i % others.length]))
    await new Promise((done) => setTimeout(done, 120))
  }
  return took.slice(4)
}"""
PIECES = 120


def screens(demo):
    """Milliseconds on the demo data."""
    with running("demo", demo) as url, browser() as chromium:
        page = chromium.new_context(viewport={"width": 1280, "height": 800}).new_page()
        page.goto(url)
        firsts = []
        for _ in range(4):
            page.goto(url, wait_until="commit")
            page.get_by_role("heading", name="Ilka Maren").wait_for()
            firsts.append(page.evaluate("performance.now()"))
        page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
        page.get_by_role("button", name=re.compile("^Train day")).click()
        page.get_by_role("meter", name="Colouring").wait_for()
        few = page.evaluate(SWAPS)
        page.goto("about:blank")
    many, busy = _swaps_of_many(demo)
    return {
        "first page, ms": round(statistics.median(firsts)),
        "script of the first page, kB gzipped": _first_page_script(),
        **_told("swap", few),
        **_told(f"swap, rail of {PIECES}", many),
        f"swap, rail of {PIECES}, longest busy stretch in the trace, ms": round(max(busy)),
    }


def _told(name, swaps):
    """From the click to the new verdict on screen, and to what every piece of the rail would do."""
    figures = {}
    for what in ("verdict", "effects"):
        took = sorted(one[what] for one in swaps)
        figures[f"{name}, {what}, median ms"] = round(statistics.median(took))
        figures[f"{name}, {what}, 95th percentile ms"] = round(took[int(0.95 * (len(took) - 1))])
    return figures


def _swaps_of_many(demo):
    with tempfile.TemporaryDirectory() as made:
        folder = Path(made) / "data"
        shutil.copytree(demo, folder)
        hang_many(folder, PIECES)
        with running("demo", folder) as url, browser() as chromium:
            page = chromium.new_context(viewport={"width": 1280, "height": 800}).new_page()
            page.goto(at(url, "clients/many/looks"))
            for place in ("Top", "Lower half", "Layer", "Feet"):
                page.locator(f'section[aria-label="{place}"] button').first.click()
                page.get_by_role("meter", name="The whole").wait_for()
            page.wait_for_timeout(500)
            chromium.start_tracing(page=page, categories=TRACED)
            swaps = page.evaluate(SWAPS)
            busy = busy_stretches(json.loads(chromium.stop_tracing()))
            page.goto("about:blank")
    return swaps, busy


def _first_page_script():
    page = (STATIC / "index.html").read_text(encoding="utf-8")
    files = set(re.findall(r"/assets/[\w.-]+\.js", page))
    return round(sum(len(gzip.compress((STATIC / f.lstrip("/")).read_bytes())) for f in files) / 1000)
