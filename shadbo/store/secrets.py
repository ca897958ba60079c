"""Passwords, tokens and codes: made, hashed and compared; none is kept as it is."""

import hashlib
import secrets
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from functools import cache

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from zxcvbn import zxcvbn

LEAST_PASSWORD, MOST_PASSWORD = 12, 128
FEWEST_SIGNS = 5
MOST_GUESSED = 72
"""So many signs are held against lists: more take long, and are not guessed."""
LEAST_SCORE = 3
"""Of 4: some hundred million guesses, by what the library knows of lists, dates, keyboards and repetition."""
LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789"
"""Signs of a code: none that is taken for another when it is read out."""
CODE_LENGTH = 10

_hasher = PasswordHasher()  # Argon2id with the parameters that RFC 9106 recommends where memory is short
_at_once = threading.BoundedSemaphore(2)
WAIT_SECONDS = 3.0


class Busy(RuntimeError):
    """Too many passwords are looked at just now: each takes 64 MB."""


class BadPassword(ValueError):
    """Not a password that is taken; says why."""


@contextmanager
def _few_at_once() -> Iterator[None]:
    if not _at_once.acquire(timeout=WAIT_SECONDS):
        raise Busy("too many passwords are looked at just now")
    try:
        yield
    finally:
        _at_once.release()


def password_hash(password: str, name: str = "") -> str:
    """Its Argon2id hash. Raises BadPassword for one that is short, too plain, known, or the person's own name."""
    if len(password) < LEAST_PASSWORD:
        raise BadPassword(f"at least {LEAST_PASSWORD} signs: three or four words do well")
    if len(password) > MOST_PASSWORD:
        raise BadPassword(f"at most {MOST_PASSWORD} signs")
    if len(set(password.casefold())) < FEWEST_SIGNS:
        raise BadPassword("the same few signs again and again: three or four words do well")
    if len(name) > 2 and name.casefold() in password.casefold():
        raise BadPassword("it has your own name in it, which is guessed first")
    if zxcvbn(password[:MOST_GUESSED], user_inputs=[name])["score"] < LEAST_SCORE:
        raise BadPassword("it is on lists of broken passwords, or built like those: three or four words do well")
    with _few_at_once():
        return _hasher.hash(password)


def is_password(password: str, kept: str | None) -> bool:
    """Whether it is the one that was hashed; as slow where there is none, so that nobody learns who is here."""
    with _few_at_once():
        nobody = _nobody()
        try:
            return _hasher.verify(kept or nobody, password) and kept is not None
        except (VerificationError, InvalidHashError):
            return False


@cache
def _nobody() -> str:
    """A hash of something that nobody knows; made once, before the first password is looked at, whosever that is."""
    return _hasher.hash(secrets.token_hex())


def is_outdated(kept: str) -> bool:
    """Whether it was hashed with weaker parameters than today's."""
    return _hasher.check_needs_rehash(kept)


def new_token() -> str:
    """A secret of 256 bits for one device."""
    return secrets.token_urlsafe(32)


def new_code() -> str:
    """A secret of 50 bits that is read out and typed once: XXXXX-XXXXX."""
    signs = "".join(secrets.choice(LETTERS) for _ in range(CODE_LENGTH))
    return f"{signs[:5]}-{signs[5:]}"


def digest(secret: str) -> str:
    """What is kept of a token."""
    return hashlib.sha256(secret.encode()).hexdigest()


def code_digest(code: str) -> str:
    """What is kept of a code, whichever way it was typed."""
    return digest("".join(c for c in code.upper() if c in LETTERS))
