"""Who may ask: only pages of this application, on this machine, with its key, and not without end."""

import asyncio
import hmac
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from http.cookies import CookieError, SimpleCookie
from urllib.parse import parse_qs, quote, urlencode, urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import HTMLResponse, RedirectResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from lucid_swatch.store.access import cookie_of

from .problems import answer

LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})
SAFE_METHODS = frozenset({"GET", "HEAD", "OPTIONS"})
MAX_BODY = 512 * 1024 * 1024
"""Bytes of one request; each photo in it is limited on its own."""
MAX_JSON = 8 * 1024 * 1024
"""Bytes of a request that sends no file."""
MOST_BYTES, MOST_UPLOADS = 768 * 1024 * 1024, 3
"""Of uploads that are received at one time, which lie in memory and never on the disk; the next ones wait."""
MOST_READS = 3
"""Reads that are worked on at one time."""
STALLS = 60.0
"""Seconds without a byte after which an upload is given up."""
KEY_LASTS = 400 * 24 * 3600
"""Seconds that a browser keeps the key; the longest that browsers allow."""

HEADERS = {
    "content-security-policy": (
        "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' blob: data:; "
        "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
    ),
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cross-origin-resource-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
}

LOCKED = """<!doctype html><html lang="en"><meta charset="utf-8"><title>Lucid Swatch</title>
<style>body{font:17px/1.5 sans-serif;background:#c9c9c9;color:#1b1b1b;max-width:34em;margin:16vh auto;padding:0 1em}</style>
<h1>This page needs its key</h1><p>Open the address that was printed when Lucid Swatch was started, with everything after
the question mark. The browser keeps the key from then on.</p></html>"""


class Guard:
    """Checks Host, Origin, key and size of every request, and says on every answer what a page may load."""

    def __init__(self, app: ASGIApp, key: str) -> None:
        self.app, self.key, self.cookie = app, key, cookie_of(key)
        self.uploads, self.reads = Uploads(), asyncio.Semaphore(MOST_READS)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on what may pass."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                given = MutableHeaders(scope=message)
                for name, value in HEADERS.items():
                    given[name] = value
            await send(message)

        refused = _refusal(scope["method"], headers)
        early = answer(*refused) if refused is not None else self._without_key(scope, headers)
        if early is not None:
            await early(scope, receive, with_headers)
            return
        length = int(headers.get("content-length", "0"))
        if scope["method"] in SAFE_METHODS and scope["path"].startswith("/api/"):
            await self._read(scope, receive, with_headers)
            return
        if not _sends_files(headers):
            await self.app(scope, receive, with_headers)
            return
        async with self.uploads.one(length):
            await self.app(scope, _not_stalling(receive), with_headers)

    async def _read(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Lets some reads be worked on at a time, until they begin to answer, so that whoever writes is not kept waiting."""
        held = True
        await self.reads.acquire()

        async def let_go_of(message: Message) -> None:
            nonlocal held
            if held:
                held = False
                self.reads.release()
            await send(message)

        try:
            await self.app(scope, receive, let_go_of)
        finally:
            if held:
                self.reads.release()

    def _without_key(self, scope: Scope, headers: Headers) -> Response | None:
        """What is answered to who has no key, or brings it in the address for the first time; None to who has it."""
        given = headers.get("authorization", "").removeprefix("Bearer ")
        if _same(given, self.key) or _same(_cookie(headers, self.cookie), self.key):
            return None
        asked = parse_qs(scope["query_string"].decode("latin-1"), keep_blank_values=True)
        if scope["method"] in SAFE_METHODS and _same(asked.pop("key", [""])[0], self.key):
            rest = urlencode(asked, doseq=True)
            # a path of two slashes would lead to another host
            place = "/" + quote(scope["path"].lstrip("/\\")) + (f"?{rest}" if rest else "")
            welcome = RedirectResponse(place, 303, {"cache-control": "no-store"})
            welcome.set_cookie(self.cookie, self.key, KEY_LASTS, path="/", httponly=True, samesite="strict")
            return welcome
        if scope["path"].startswith("/api/") or scope["method"] not in SAFE_METHODS:
            return answer(
                401, "this is asked without the key.", "key", "Open the address that was printed at the start."
            )
        return HTMLResponse(LOCKED, 401, {"cache-control": "no-store"})


class Uploads:
    """Room for what is received at one time; who sends files waits long, and is not to stand in everybody's way."""

    def __init__(self) -> None:
        self._bytes = self._count = 0
        self._changed = asyncio.Condition()

    @asynccontextmanager
    async def one(self, size: int) -> AsyncIterator[None]:
        """While one upload is received and answered; waits until there is room for it."""
        async with self._changed:
            await self._changed.wait_for(lambda: self._fits(size))
            self._bytes += size
            self._count += 1
        try:
            yield
        finally:
            async with self._changed:
                self._bytes -= size
                self._count -= 1
                self._changed.notify_all()

    def _fits(self, size: int) -> bool:
        return self._count == 0 or (self._count < MOST_UPLOADS and self._bytes + size <= MOST_BYTES)


def _not_stalling(receive: Receive) -> Receive:
    """Gives up on who sends nothing for a while, so that they hold up nobody else. Once all is here, nothing is expected."""
    whole = False

    async def received() -> Message:
        nonlocal whole
        if whole:
            return await receive()
        try:
            message = await asyncio.wait_for(receive(), STALLS)
        except TimeoutError:
            return {"type": "http.disconnect"}
        whole = not message.get("more_body", False)
        return message

    return received


def _same(given: str, key: str) -> bool:
    return hmac.compare_digest(given.encode(errors="replace"), key.encode())


def _cookie(headers: Headers, name: str) -> str:
    try:
        found = SimpleCookie(headers.get("cookie", "")).get(name)
    except CookieError:
        return ""
    return "" if found is None else found.value


def _refusal(method: str, headers: Headers) -> tuple[int, str, str, str] | None:
    host = headers.get("host", "")
    if _name(f"//{host}") not in LOOPBACK:
        return 403, "this address is not served.", "Host", "Open the address that was printed at the start."
    length = headers.get("content-length", "0")
    if method not in SAFE_METHODS:
        origin = headers.get("origin")
        if origin is not None and _place(origin) != host:
            return 403, "another page may not change anything here.", "Origin", "Use the application's own page."
        if headers.get("sec-fetch-site", "same-origin") not in ("same-origin", "none"):
            return 403, "another page may not change anything here.", "Origin", "Use the application's own page."
    # a request without either has no body
    if "transfer-encoding" in headers or not (length.isascii() and length.isdigit() and len(length) < 16):
        return 411, "the request does not say how long it is.", "Content-Length", "Send it again with its length."
    most = MAX_BODY if _sends_files(headers) else MAX_JSON
    if int(length) > most:
        return 413, f"the request has more than {most // 2**20} MB.", "request", "Send fewer photos at a time."
    return None


def _sends_files(headers: Headers) -> bool:
    return headers.get("content-type", "").startswith("multipart/form-data")


def _name(url: str) -> str | None:
    try:
        return urlsplit(url).hostname
    except ValueError:
        return None


def _place(url: str) -> str | None:
    try:
        return urlsplit(url).netloc
    except ValueError:
        return None
