"""The cookie that a device keeps: its token, out of reach of scripts and of other sites."""

from fastapi import Request, Response

from shadbo.store.entrance import WHOLE

PLAIN, SECURE = "shadbo", "__Host-shadbo"
"""Its name; over TLS with the prefix that binds it to this host alone."""
MOST_TOKEN = 100


def _is_secure(request: Request) -> bool:
    return request.url.scheme == "https"


def token_of(request: Request) -> str | None:
    """The token that a device sends; None where it sends none that could be one."""
    token = request.cookies.get(SECURE if _is_secure(request) else PLAIN, "")
    return token if 0 < len(token) <= MOST_TOKEN else None


def give(request: Request, response: Response, token: str) -> None:
    """Let the device keep a token."""
    secure = _is_secure(request)
    response.set_cookie(
        SECURE if secure else PLAIN, token, max_age=int(WHOLE[True].total_seconds()),
        path="/", secure=secure, httponly=True, samesite="strict",
    )  # fmt: skip


def take(request: Request, response: Response) -> None:
    """Take it back."""
    secure = _is_secure(request)
    response.delete_cookie(SECURE if secure else PLAIN, path="/", secure=secure, httponly=True, samesite="strict")
