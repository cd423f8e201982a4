"""Who may ask: only pages of this application, on this machine, and not without end."""

from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from .problems import answer

LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})
SAFE_METHODS = frozenset({"GET", "HEAD", "OPTIONS"})
MAX_BODY = 512 * 1024 * 1024
"""Bytes of one request; each photo in it is limited on its own."""

HEADERS = {
    "content-security-policy": (
        "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' blob: data:; "
        "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
    ),
    "x-content-type-options": "nosniff", "referrer-policy": "no-referrer", "cross-origin-resource-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
}  # fmt: skip


class Guard:
    """Checks Host, Origin and size of every request, and says on every answer what a page may load."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on what may pass."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        refusal = _refusal(scope["method"], headers)
        if refusal is not None:
            await answer(*refusal)(scope, receive, send)
            return

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                given = MutableHeaders(scope=message)
                for name, value in HEADERS.items():
                    given[name] = value
            await send(message)

        await self.app(scope, receive, with_headers)


def _refusal(method: str, headers: Headers) -> tuple[int, str, str, str] | None:
    host = headers.get("host", "")
    if _name(f"//{host}") not in LOOPBACK:
        return 403, "this address is not served.", "Host", "Open the address that was printed at the start."
    if method not in SAFE_METHODS:
        origin = headers.get("origin")
        if origin is not None and urlsplit(origin).netloc != host:
            return 403, "another page may not change anything here.", "Origin", "Use the application's own page."
        if headers.get("sec-fetch-site", "same-origin") not in ("same-origin", "none"):
            return 403, "another page may not change anything here.", "Origin", "Use the application's own page."
        length = headers.get("content-length", "0")
        # a request without either has no body
        if "transfer-encoding" in headers or not length.isdigit():
            return 411, "the request does not say how long it is.", "Content-Length", "Send it again with its length."
        if int(length) > MAX_BODY:
            return 413, f"the request has more than {MAX_BODY // 2**20} MB.", "photos", "Send fewer photos at a time."
    return None


def _name(url: str) -> str | None:
    try:
        return urlsplit(url).hostname
    except ValueError:
        return None
