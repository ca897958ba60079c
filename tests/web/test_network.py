"""On the workshop's network: under TLS or not at all, by its own names, and by a proxy's word only when told."""

import datetime as dt
import ipaddress
import os
import socket
import ssl
import stat
from pathlib import Path

import pytest
from cryptography import x509
from cryptography.x509.verification import PolicyBuilder, Store

from shadbo.web.certificate import own_certificate
from shadbo.web.network import NotServed, own_addresses, reach
from shadbo.web.serve import certificate, reached
from shadbo.web.variables import UNLOCKED

NOW = dt.datetime(2031, 3, 1, 12, tzinfo=dt.UTC)


def test_loopback_is_this_machine_alone():
    here = reach("127.0.0.1", ())
    assert (here.alone, here.names) == (True, ("127.0.0.1", "localhost"))


def test_all_addresses_have_their_names():
    here = reach("0.0.0.0", ("Frames.Example ",))
    assert not here.alone
    assert {"frames.example", socket.gethostname().lower()} | own_addresses() <= set(here.names)


def test_what_is_no_address_of_a_machine_is_said():
    with pytest.raises(NotServed, match="--host: found"):
        reach("no such host.", ())


def test_an_unlocked_house_stays_on_its_machine(monkeypatch):
    monkeypatch.setenv(UNLOCKED, "yes")
    assert reached("127.0.0.1", (), "").alone
    for host, behind in (("0.0.0.0", ""), ("127.0.0.1", "127.0.0.1")):
        with pytest.raises(NotServed, match="unlocked"):
            reached(host, (), behind)


def test_half_a_certificate_is_refused(tmp_path: Path):
    with pytest.raises(NotServed, match="go together"):
        certificate(reach("0.0.0.0", ()), tmp_path / "a.pem", None, tmp_path)
    with pytest.raises(NotServed, match="is not there"):
        certificate(reach("0.0.0.0", ()), tmp_path / "a.pem", tmp_path / "a.key", tmp_path)
    assert certificate(reach("127.0.0.1", ()), None, None, tmp_path) is None


def test_its_own_certificate_is_taken_by_whoever_trusts_its_authority(tmp_path: Path):
    """Held against the verifier of a library (RFC 5280), for each name, and against OpenSSL."""
    names = ("slipway", "slipway.local", "10.1.2.3")
    made = own_certificate(tmp_path / "tls", names, NOW)
    assert made.authority is not None
    trusted = Store([x509.load_pem_x509_certificate(made.authority.read_bytes())])
    leaf = x509.load_pem_x509_certificate(made.cert.read_bytes())
    for name in names:
        subject = x509.IPAddress(ipaddress.ip_address(name)) if name[0].isdigit() else x509.DNSName(name)
        PolicyBuilder().store(trusted).time(NOW).build_server_verifier(subject).verify(leaf, [])
    with pytest.raises(x509.verification.VerificationError):
        PolicyBuilder().store(trusted).time(NOW).build_server_verifier(x509.DNSName("other")).verify(leaf, [])
    ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER).load_cert_chain(made.cert, made.key)
    ssl.create_default_context(cafile=str(made.authority))


def test_its_keys_are_its_own(tmp_path: Path):
    made = own_certificate(tmp_path / "tls", ("slipway",), NOW)
    for key in (made.key, tmp_path / "tls" / "authority.key"):
        assert stat.S_IMODE(os.stat(key).st_mode) == 0o600
    assert stat.S_IMODE(os.stat(tmp_path / "tls").st_mode) == 0o700


def test_it_is_made_anew_only_where_it_has_to_be(tmp_path: Path):
    def fresh(names, now):
        made = own_certificate(tmp_path, names, now)
        assert made.authority is not None
        return made.authority.read_bytes(), made.cert.read_bytes()

    authority, first = fresh(("slipway",), NOW)
    assert fresh(("slipway",), NOW + dt.timedelta(days=300)) == (authority, first)
    again = fresh(("slipway",), NOW + dt.timedelta(days=380))
    assert again[0] == authority
    assert again[1] != first
    assert fresh(("slipway", "other"), NOW + dt.timedelta(days=381))[1] != again[1]
