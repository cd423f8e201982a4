"""Thousands of requests made from the application's own description and then mutated: answered, and never by a crash."""

import json
import random
import tempfile
import time
from collections import Counter
from pathlib import Path
from urllib.parse import quote

import httpx
from tests.pictures import coat_photo

from lucid_swatch.assemble import openapi_document

from .faults import Application

WILD = (
    None,
    True,
    -1,
    0,
    1,
    2**63,
    -(2**63),
    1e308,
    1e177,
    0.1,
    "",
    " ",
    "x" * 5000,
    "..",
    "../../etc/passwd",
    "\0",
    "%2e%2e",
    "0001-01-01",
    "9999-12-31T23:59:59+14:00",
    "=1+1",
    "<b>",
    [],
    {},
    [[]],
    {"": None},
    ["x"] * 300,
    "NaN",
    "𝒳" * 50,
    "a\r\nb",
)
SLOWEST = 10.0
REFILLED = 60
"""Requests after which there is a client, photo, piece and look again."""


def mutated_requests(count=10_000, seed=3):
    """Figures over some requests."""
    chance = random.Random(seed)
    description = openapi_document()
    routes = [
        (path, method, what)
        for path, methods in description["paths"].items()
        for method, what in methods.items()
        if "studio/watched" not in path
    ]
    statuses, bad, slowest, slow = Counter(), [], 0.0, []
    with tempfile.TemporaryDirectory() as place:
        app = Application(Path(place) / "data", place).start()
        with app.http(timeout=60) as http:
            ids = {}
            for number in range(count):
                if number % REFILLED == 0:
                    ids = _fill(http)  # some requests remove what is there
                path, method, what = chance.choice(routes)
                if method == "delete" and chance.random() < 0.8:
                    continue
                request = _request(chance, description, path, method, what, ids)
                start = time.perf_counter()
                try:
                    answer = http.request(**request)
                except (httpx.InvalidURL, httpx.UnsupportedProtocol, UnicodeError, httpx.LocalProtocolError):
                    continue  # nothing was sent
                took = time.perf_counter() - start
                statuses[answer.status_code // 100 * 100] += 1
                if took > slowest:
                    slowest = took
                if took > SLOWEST:
                    slow.append(f"{method} {path}")
                if answer.status_code >= 500:
                    bad.append(
                        f"{answer.status_code} {method} {request['url']} {str(request.get('content') or request.get('files'))[:200]}"
                    )
            alive = http.get("/api/clients").status_code == 200
            peak = _high_water(app.process.pid)
        app.end()
        log = app.log.read_text(errors="replace")
    return {
        "requests": count,
        "answers": {f"{k}": v for k, v in sorted(statuses.items())},
        "answers of 500 and more": len(bad),
        "some of them": bad[:5],
        "over 10 s": len(slow),
        "slowest, s": round(slowest, 2),
        "still answers": alive,
        "peak memory of the server, MB": round(peak),
        "traces in the log": log.count("Traceback"),
    }


def _fill(http):
    client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
    base = f"/api/clients/{client}"
    sent = [("photos", ("coat.jpg", coat_photo())), ("photos", ("knit.jpg", coat_photo(lab=(50, 20, 20))))]
    photos = [one["photo"]["id"] for one in http.post(f"{base}/photos", files=sent).json()]
    http.post(f"{base}/portraits", files={"portrait": ("p.jpg", coat_photo())})
    piece = {"id": f"p{client[:6]}", "category": "knit", "colours": [{"lab": [40, 10, 10], "share": 1}]}
    rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": [piece]}
    http.post(f"{base}/rail/import", files={"rail": ("r.json", json.dumps(rail).encode())}, data={"apply": "true"})
    look = http.post(f"{base}/looks", json={"name": "x", "pieces": [piece["id"]], "kept": {}}).json()
    trial = http.post(f"{base}/trials").json()
    portrait = http.get(base).json()["portraits"][0]["id"]
    return {
        "client_id": client,
        "photo_id": photos[0],
        "piece_id": piece["id"],
        "look_id": look.get("id", "x"),
        "trial_id": trial.get("id", "x"),
        "portrait_id": portrait,
        "name": "relit.jpg",
        "pieces": [piece["id"]],
        "photos": photos,
        "names": ["x"],
    }


def _request(chance, description, path, method, what, ids):
    url, query, headers = path, {}, {}
    for asked in what.get("parameters", []):
        value = ids.get(asked["name"], "x") if chance.random() < 0.8 else chance.choice(WILD)
        if asked["in"] == "path":
            url = url.replace("{" + asked["name"] + "}", _escaped(str(value)))
        elif chance.random() < 0.8:
            query[asked["name"]] = str(_made(chance, description, asked["schema"], ids))
    request = {"method": method.upper(), "url": url, "params": query, "headers": headers}
    body = what.get("requestBody", {}).get("content", {})
    if "application/json" in body:
        value = _made(chance, description, body["application/json"]["schema"], ids)
        content = json.dumps(_mutated(chance, value)).encode()
        if chance.random() < 0.1:
            content = bytearray(content)
            for _ in range(3):
                if content:
                    content[chance.randrange(len(content))] = chance.randrange(256)
        request |= {"content": bytes(content), "headers": {"content-type": "application/json"}}
    elif "multipart/form-data" in body:
        schema = _resolved(description, body["multipart/form-data"]["schema"])
        field = next(iter(schema["properties"]))
        photo = bytearray(chance.choice((coat_photo(), b"{}", b"PK\x03\x04", b"id,category\n", b"")))
        for _ in range(chance.randint(0, 4)):
            if photo:
                photo[chance.randrange(len(photo))] = chance.randrange(256)
        request |= {"files": {field: (chance.choice(("a.jpg", "x" * 300, "../a", "é.png", "a\tb")), bytes(photo))}}
        request |= {"data": {"apply": chance.choice(("true", "false", "x"))}}
    return request


def _escaped(value):
    """A value as a part of an address."""
    return quote(value[:300], safe="", errors="replace")


def _resolved(description, schema):
    while "$ref" in schema:
        schema = description["components"]["schemas"][schema["$ref"].split("/")[-1]]
    return schema


def _made(chance, description, schema, ids, depth=0):
    """A value as a schema asks for it."""
    schema = _resolved(description, schema)
    if depth > 6:
        return None
    for several in ("anyOf", "oneOf"):
        if several in schema:
            return _made(chance, description, chance.choice(schema[several]), ids, depth + 1)
    if "allOf" in schema:
        return _made(chance, description, schema["allOf"][0], ids, depth + 1)
    if "enum" in schema:
        return chance.choice(schema["enum"])
    if "const" in schema:
        return schema["const"]
    kind = schema.get("type")
    if kind == "object":
        wanted = schema.get("properties", {})
        needed = set(schema.get("required", []))
        return {
            name: ids[name]
            if name in ids and chance.random() < 0.8
            else _made(chance, description, one, ids, depth + 1)
            for name, one in wanted.items()
            if name in needed or chance.random() < 0.6
        }
    if kind == "array":
        size = max(schema.get("minItems", 0), min(schema.get("maxItems", 3), chance.randint(0, 4)))
        return [_made(chance, description, schema.get("items", {}), ids, depth + 1) for _ in range(size)]
    if kind == "integer":
        return chance.choice((schema.get("minimum", 0), 1, 5, schema.get("maximum", 100)))
    if kind == "number":
        return chance.choice((schema.get("minimum", 0), 0.5, schema.get("maximum", 100)))
    if kind == "boolean":
        return chance.random() < 0.5
    return chance.choice(("Maren", "2031-05-04", "wool", "x" * 30))


def _mutated(chance, value):
    """The same with something wild somewhere, half of the time."""
    if chance.random() < 0.5:
        return value
    if isinstance(value, dict) and value and chance.random() < 0.85:
        name = chance.choice(list(value))
        changed = dict(value)
        if chance.random() < 0.15:
            changed.pop(name)
            return changed
        changed[name] = _mutated(chance, value[name]) if chance.random() < 0.5 else chance.choice(WILD)
        return changed
    if isinstance(value, list) and value and chance.random() < 0.85:
        at = chance.randrange(len(value))
        return [*value[:at], _mutated(chance, value[at]), *value[at + 1 :]]
    return chance.choice(WILD)


def _high_water(pid):
    status = Path(f"/proc/{pid}/status").read_text()
    return int(next(line for line in status.splitlines() if line.startswith("VmHWM")).split()[1]) / 1024
