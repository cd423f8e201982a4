"""A rail of 500 pieces in a real browser: the first picture, scrolling, zooming, a filter; and its arithmetic.

Frames are read from a trace of Chromium: how long its main thread was busy at a stretch, and how far apart the frames
came that were drawn. Latencies that a person feels are absolute; the share of the few colours is of one run."""

import json
import shutil
import statistics
import tempfile
import time
from dataclasses import replace
from datetime import UTC, date, datetime
from pathlib import Path

import numpy as np
from tests.running import at, browser, running

from lucid_swatch.core.colour.few import few_colours
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, PatternType
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, HungPiece, PhotoState

COUNT = 500
LONG_FRAME = 50.5
"""Milliseconds: three frames of a usual screen, with half a millisecond for its clock."""
TIMES = 5
SHOWN = ("cloth.jpg", "strip.jpg", "colour-0.jpg", "thumbnail.jpg")
CATEGORIES = tuple(Category)
TRACED = ["devtools.timeline", "disabled-by-default-devtools.timeline", "toplevel"]

SCROLL = """async () => {
  const wall = document.querySelector('.wall.wall')
  const frames = []
  let last = performance.now()
  const frame = () => new Promise((done) => requestAnimationFrame((now) => { frames.push(now - last); last = now; done() }))
  await frame(); frames.length = 0
  for (let y = 0; y < wall.scrollHeight; y += 40) { wall.scrollTop = y; await frame() }
  return frames
}"""
ZOOM = """async () => {
  const step = (name) => document.querySelector(`.zoom button[aria-label^="${name}"]`)
  const [farther, nearer] = [step('Farther'), step('Nearer')]
  const frames = []
  let last = performance.now()
  const frame = () => new Promise((done) => requestAnimationFrame((now) => { frames.push(now - last); last = now; done() }))
  await frame(); frames.length = 0
  for (const step of [nearer, nearer, nearer, farther, farther, farther, farther, farther, nearer, nearer]) {
    step.click()
    for (let k = 0; k < 6; k++) await frame()
  }
  return frames
}"""
FILTER = """async () => {
  const input = document.querySelector('.find input')
  const took = []
  for (const typed of ['navy', 'navy not print', 'warm', 'knit or coat', 'dark', '']) {
    const start = performance.now()
    input.value = typed; input.dispatchEvent(new Event('input'))
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
    took.push(performance.now() - start)
  }
  return took
}"""


def rail(demo):
    """Milliseconds and counts of a rail of 500 pieces made of the pictures of the demo."""
    with tempfile.TemporaryDirectory() as made:
        folder = Path(made) / "data"
        shutil.copytree(demo, folder)
        hang_many(folder, COUNT)
        with running("demo", folder) as url, browser() as chromium:
            page = chromium.new_context(viewport={"width": 1280, "height": 800}).new_page()
            firsts = []
            for _ in range(8):
                page.goto(at(url, "clients/many/rail"), wait_until="commit")
                page.locator("[data-piece]").first.wait_for()
                page.evaluate("() => new Promise((done) => requestAnimationFrame(() => setTimeout(done)))")
                firsts.append(page.evaluate("performance.now()"))
                # what the rail asks afterwards is answered before the next is opened
                page.wait_for_load_state("networkidle")
            figures = {"first picture, ms": round(statistics.median(firsts)), "slowest, ms": round(max(firsts[1:]))}
            for name, script in (("scrolling", SCROLL), ("zooming", ZOOM), ("filter", FILTER)):
                # the trace costs time by itself, so the same is done without it first
                alone = [page.evaluate(script) for _ in range(TIMES)]
                chromium.start_tracing(page=page, categories=TRACED)
                traced = [page.evaluate(script) for _ in range(TIMES)]
                busy = busy_stretches(json.loads(chromium.stop_tracing()))
                for where, times in (("without the trace", np.array(alone)), ("in the trace", np.array(traced))):
                    figures[f"{name}, slowest {where}, ms"] = round(times.max())
                    if name == "filter":
                        figures[f"filter, slowest words {where}, median, ms"] = round(np.median(times, axis=0).max())
                    else:
                        figures[f"{name}, frames over 50 ms {where}"] = int((times > LONG_FRAME).sum())
                        figures[f"{name}, frames {where}"] = times.size
                figures[f"{name}, longest busy stretch, ms"] = round(max(busy, default=0))
            page.goto("about:blank")
    return figures | _few()


def busy_stretches(trace):
    """Milliseconds of every task on the main thread of the page."""
    main = {
        (e["pid"], e["tid"])
        for e in trace["traceEvents"]
        if e["name"] == "thread_name" and e["args"]["name"] == "CrRendererMain"
    }
    tasks = [e for e in trace["traceEvents"] if e["name"].endswith("RunTask") and (e["pid"], e["tid"]) in main]
    return [e.get("dur", 0) / 1000 for e in tasks]


def hang_many(folder, count):
    """A client with so many pieces, each with a photo whose pictures are those of a piece of the demo."""
    sessions, files, draw = open_database(folder), Folder(folder), np.random.default_rng(1)
    now = datetime.now(UTC)
    with sessions.begin() as session:
        photos = [
            p for c in Clients(session).all() for p in Photos(session).of_client(c.id) if p.state is PhotoState.HUNG
        ]
        hung = [one for c in Clients(session).all() for one in Pieces(session).of_client(c.id)]
        by_photo = {one.photo_id: one for one in hung}
        Clients(session).add(ClientRecord("many", "Many Pieces", date(2031, 5, 4), now))
        for k in range(count):
            photo = photos[k % len(photos)]
            id = f"many{k:04d}"
            for name in SHOWN:
                files.keep_picture(id, name, files.picture(photo.id, name).read_bytes())
            Photos(session).add(replace(photo, id=id, client_id="many", file=f"{id}.jpg"))
            own = by_photo[photo.id].piece
            lab = own.lab + draw.normal(0, 3, own.lab.shape)
            piece = replace(
                own, id=f"piece{k:04d}", label=f"{own.label} {k}", lab=np.clip(lab, [1, -120, -120], [99, 120, 120])
            )
            Pieces(session).add(HungPiece(piece, "many", now, id))


def _few():
    """The five-colour palette of a rail of 120 pieces, many of them prints."""
    draw = np.random.default_rng(2)
    pieces = [
        Piece(
            str(k),
            CATEGORIES[k % len(CATEGORIES)],
            _cloth(draw, colours),
            np.ones(colours) / colours,
            pattern=PatternType.SOLID,
        )
        for k, colours in enumerate(draw.choice([1, 1, 2, 3], 120))
    ]
    lab, share = np.concatenate([p.lab for p in pieces]), np.concatenate([p.share for p in pieces])
    took = []
    for _ in range(5):
        start = time.perf_counter()
        found = few_colours(lab, share, 5, 10.0)
        took.append(time.perf_counter() - start)
    return {
        "five colours of 120 pieces, ms": round(statistics.median(took) * 1000),
        "share of the cloth they cover": round(found.share, 2),
    }


def _cloth(draw, count):
    """Colours as wardrobes have them: most of them near a few families."""
    families = np.array(
        [[21, 4, -22], [15, 0, 0], [31, 0, -2], [89, 2, 16], [57, 15, 29], [72, 0, 5], [44, 50, 30], [40, -25, 8]]
    )
    return families[draw.integers(0, len(families), count)] + draw.normal(0, [6, 4, 4], (count, 3))
