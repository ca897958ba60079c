"""Headers for every answer, and compression for pages. Plain ASGI: a plan is asked for at every key press."""

import os

from starlette.datastructures import MutableHeaders
from starlette.middleware.gzip import GZipMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from shadbo.web.variables import GAUGE

POLICY = (
    "default-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self' data:; "
    "object-src 'none'; base-uri 'none'; frame-ancestors 'none'"
)


def policy() -> str:
    """The policy, with the one address besides its own that a page may speak to: the gauge's, where there is one."""
    gauge = os.environ.get(GAUGE, "")
    return f"{POLICY}; connect-src 'self' {gauge}" if gauge else POLICY


PERMISSIONS = "camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), midi=()"


class Headers:
    """Adds the security headers; keeps answers of the API out of caches and uncompressed."""

    def __init__(self, app: ASGIApp) -> None:
        self.api = app
        self.policy = policy()
        self.pages = GZipMiddleware(app, minimum_size=1000)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.api(scope, receive, send)
            return
        is_api = scope["path"].startswith("/api")

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers["Content-Security-Policy"] = self.policy
                headers["X-Content-Type-Options"] = "nosniff"
                headers["Referrer-Policy"] = "same-origin"
                headers["Permissions-Policy"] = PERMISSIONS
                headers["Cross-Origin-Opener-Policy"] = "same-origin"
                headers["Cross-Origin-Resource-Policy"] = "same-origin"
                if scope["scheme"] == "https":
                    headers["Strict-Transport-Security"] = "max-age=31536000"
                if is_api:
                    headers["Cache-Control"] = "no-store"
            await send(message)

        await (self.api if is_api else self.pages)(scope, receive, with_headers)
