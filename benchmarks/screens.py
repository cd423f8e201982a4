"""What a person feels: the first page, a swap, and how much script the first page loads. Absolute, in a real browser."""

import gzip
import re
import statistics
from pathlib import Path

from tests.running import browser, running

STATIC = Path(__file__).parents[1] / "src/lucid_swatch/static"

SWAPS = """async () => {
  const click = (button) => new Promise((done) => {
    const meter = document.querySelector('[role=meter][aria-label="The whole"]')
    const start = performance.now()
    const seen = new MutationObserver(() => { seen.disconnect(); requestAnimationFrame(() => done(performance.now() - start)) })
    seen.observe(document.querySelector('.tapes'), { subtree: true, attributes: true, childList: true, characterData: true })
    button.click()
  })
  const took = []
  for (let i = 0; i < 16; i++) {
    const feet = document.querySelector('section[aria-label="Feet"]')
    const other = [...feet.querySelectorAll('button')].find((b) => b.getAttribute('aria-pressed') === 'false')
    took.push(await click(other))
    await new Promise((done) => setTimeout(done, 120))
  }
  return took.slice(2)
}"""


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
        swaps = page.evaluate(SWAPS)
        page.goto("about:blank")
    return {
        "first page, ms": round(statistics.median(firsts)), "swap answered, median ms": round(statistics.median(swaps)),
        "swap answered, slowest ms": round(max(swaps)), "script of the first page, kB gzipped": _first_page_script(),
    }  # fmt: skip


def _first_page_script():
    page = (STATIC / "index.html").read_text(encoding="utf-8")
    files = set(re.findall(r"/assets/[\w.-]+\.js", page))
    return round(sum(len(gzip.compress((STATIC / f.lstrip("/")).read_bytes())) for f in files) / 1000)
