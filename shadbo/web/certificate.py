"""A certificate of the installation's own: an authority that a tablet is told to trust once, and what it signs."""

import datetime as dt
import ipaddress
import os
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

AUTHORITY_DAYS = 3650
SERVER_DAYS = 397
"""No browser takes a certificate that is good for longer."""
RENEWED_DAYS = 30
PRIVATE = 0o600


@dataclass(frozen=True, slots=True)
class Certificate:
    """Where certificate and key lie; ``authority`` is what signed them where it is this installation's own."""

    cert: Path
    key: Path
    authority: Path | None = None


def own_certificate(folder: Path, names: Sequence[str], now: dt.datetime) -> Certificate:
    """The installation's own certificate for these names and addresses; made, or made anew, where it has to be."""
    folder.mkdir(parents=True, exist_ok=True)
    folder.chmod(0o700)
    home = Certificate(folder / "server.pem", folder / "server.key", folder / "authority.pem")
    assert home.authority is not None
    if not (home.authority.is_file() and _key_of(home.authority).is_file()):
        _make_authority(home.authority, now)
    if not _still_good(home.cert, names, now):
        _make_server(home, home.authority, names, now)
    return home


def _key_of(cert: Path) -> Path:
    return cert.with_suffix(".key")


def _still_good(cert: Path, names: Sequence[str], now: dt.datetime) -> bool:
    if not cert.is_file() or not _key_of(cert).is_file():
        return False
    try:
        found = x509.load_pem_x509_certificate(cert.read_bytes())
        said = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    except ValueError:
        return False
    lasts = found.not_valid_after_utc - now > dt.timedelta(days=RENEWED_DAYS)
    return lasts and set(said) == set(_alternatives(names))


def _alternatives(names: Sequence[str]) -> list[x509.GeneralName]:
    """Names and addresses, each once, in one order."""
    found: list[x509.GeneralName] = []
    for name in sorted(set(names)):
        try:
            found.append(x509.IPAddress(ipaddress.ip_address(name)))
        except ValueError:
            found.append(x509.DNSName(name.encode("idna").decode()))
    return found


def _name(common: str) -> x509.Name:
    return x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, common)])


def _begun(subject: x509.Name, issuer: x509.Name, now: dt.datetime, days: int) -> x509.CertificateBuilder:
    builder = x509.CertificateBuilder().subject_name(subject).issuer_name(issuer)
    builder = builder.serial_number(x509.random_serial_number()).not_valid_before(now - dt.timedelta(hours=1))
    return builder.not_valid_after(now + dt.timedelta(days=days))


def _make_authority(cert: Path, now: dt.datetime) -> None:
    key = ec.generate_private_key(ec.SECP256R1())
    name = _name(f"Shadbo of this workshop, {now:%Y-%m-%d}")
    builder = _begun(name, name, now, AUTHORITY_DAYS).public_key(key.public_key())
    builder = builder.add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
    usage = x509.KeyUsage(
        digital_signature=False, content_commitment=False, key_encipherment=False, data_encipherment=False,
        key_agreement=False, key_cert_sign=True, crl_sign=True, encipher_only=False, decipher_only=False,
    )  # fmt: skip
    builder = builder.add_extension(usage, critical=True)
    builder = builder.add_extension(x509.SubjectKeyIdentifier.from_public_key(key.public_key()), critical=False)
    _write(_key_of(cert), _pem(key), PRIVATE)
    _write(cert, builder.sign(key, hashes.SHA256()).public_bytes(serialization.Encoding.PEM), 0o644)


def _make_server(home: Certificate, authority: Path, names: Sequence[str], now: dt.datetime) -> None:
    by = x509.load_pem_x509_certificate(authority.read_bytes())
    signer = serialization.load_pem_private_key(_key_of(authority).read_bytes(), None)
    assert isinstance(signer, ec.EllipticCurvePrivateKey)
    key = ec.generate_private_key(ec.SECP256R1())
    builder = _begun(_name("Shadbo"), by.subject, now, SERVER_DAYS).public_key(key.public_key())
    for extension, critical in (
        (x509.SubjectAlternativeName(_alternatives(names)), False),
        (x509.BasicConstraints(ca=False, path_length=None), True),
        (x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), False),
        (x509.SubjectKeyIdentifier.from_public_key(key.public_key()), False),
        (x509.AuthorityKeyIdentifier.from_issuer_public_key(signer.public_key()), False),
    ):
        builder = builder.add_extension(extension, critical)
    _write(home.key, _pem(key), PRIVATE)
    _write(home.cert, builder.sign(signer, hashes.SHA256()).public_bytes(serialization.Encoding.PEM), 0o644)


def _pem(key: ec.EllipticCurvePrivateKey) -> bytes:
    return key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    )


def _write(file: Path, content: bytes, mode: int) -> None:
    """Whole or not at all, and never readable by others for a moment."""
    part = file.with_name(f".{file.name}.part")
    part.unlink(missing_ok=True)
    with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_EXCL, mode), "wb") as out:
        out.write(content)
    part.replace(file)
