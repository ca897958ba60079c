"""Where an installation can be reached: its names and addresses, and what it asks before it is on a network."""

import ipaddress
import socket
from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass

NOWHERE = "192.0.2.1"
"""An address kept for documentation (RFC 5737): asked for the way to it, a machine tells its own; nothing is sent."""


class NotServed(RuntimeError):
    """It is not served like that; says why, and what would do."""


@dataclass(frozen=True, slots=True)
class Reach:
    """Where it listens, which names it goes by, and whether that is this machine alone."""

    host: str
    names: tuple[str, ...]
    alone: bool


def reach(host: str, further: Sequence[str]) -> Reach:
    """What a listening address means. Raises NotServed for what is neither a name nor an address of this machine."""
    try:
        address = socket.getaddrinfo(host, None, type=socket.SOCK_STREAM)[0][4][0]
    except OSError:
        raise NotServed(f"--host: found “{host}”; expected an address of this machine, or 0.0.0.0 for all") from None
    found = ipaddress.ip_address(str(address).partition("%")[0])
    names = {"localhost", "127.0.0.1", *(x.strip().lower() for x in further if x.strip())}
    if not found.is_loopback:
        here = socket.gethostname().lower()
        names |= {
            here,
            f"{here.partition('.')[0]}.local",
            *(own_addresses() if found.is_unspecified else {host.lower()}),
        }
    return Reach(host, tuple(sorted(names)), found.is_loopback)


def own_addresses() -> set[str]:
    """Addresses by which this machine is reached."""
    found = set()
    with suppress(OSError):
        found |= {str(x[4][0]) for x in socket.getaddrinfo(socket.gethostname(), None, family=socket.AF_INET)}
    with suppress(OSError), socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as s:
        s.connect((NOWHERE, 9))
        found.add(s.getsockname()[0])
    return found
