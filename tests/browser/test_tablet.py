"""A tablet on another host of the workshop's network plans and saves over TLS."""

import base64
import hashlib
import json
import os
import re
import shutil
import socket
import ssl
import subprocess
import urllib.request
from collections.abc import Iterator
from contextlib import suppress
from pathlib import Path

import pytest
from cryptography import x509
from cryptography.hazmat.primitives import serialization
from playwright.sync_api import Browser, Playwright, expect
from sqlalchemy.orm import Session

from shadbo.demo.shop import demo_shop
from shadbo.store.entrance import Entrance
from shadbo.store.jobs import Jobs
from shadbo.store.people import People
from shadbo.store.workshops import Workshops
from tests.browser.conftest import ARGS
from tests.database import fresh_database
from tests.making import job
from tests.server import Server

WORKER = int(os.environ.get("PYTEST_XDIST_WORKER", "gw0").removeprefix("gw"))
"""Tests that run side by side have a network each."""
HOST, TABLET = f"10.87.{WORKER}.1", f"10.87.{WORKER}.2"
NAME = f"shadbo-tablet-{WORKER}"
HERE, THERE = f"shadbo{WORKER}a", f"shadbo{WORKER}b"


def ip(*words: str) -> bool:
    """Whether a change of the network was made."""
    return subprocess.run(["ip", *words], capture_output=True, check=False).returncode == 0


@pytest.fixture(scope="module")
def network() -> Iterator[None]:
    """A host of its own, joined to this one by a cable."""
    if shutil.which("ip") is None or os.geteuid() != 0:
        pytest.skip("a second host takes ip (iproute2) and root")
    ip("netns", "delete", NAME)
    made = (
        ip("netns", "add", NAME)
        and ip("link", "add", HERE, "type", "veth", "peer", "name", THERE, "netns", NAME)
        and ip("addr", "add", f"{HOST}/24", "dev", HERE)
        and ip("link", "set", HERE, "up")
        and ip("-n", NAME, "addr", "add", f"{TABLET}/24", "dev", THERE)
        and ip("-n", NAME, "link", "set", THERE, "up")
    )
    if not made:
        ip("netns", "delete", NAME)
        pytest.skip("this machine lets nobody make a second host")
    yield
    ip("netns", "delete", NAME)


@pytest.fixture(scope="module")
def served(network: None, tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[Server, str, Path]]:
    """A locked house on the network with one job: the server, a tablet's code, where its certificate lies."""
    folder = tmp_path_factory.mktemp("tls")
    with fresh_database("tablet") as (url, engine):
        with Session(engine) as s, s.begin():
            Workshops(s).add("netloft", demo_shop())
            Jobs(s, "netloft").make(job().model_copy(update={"title": "Evening on the slip"}), "made-1")
            People(s, "netloft").add("Hedda Sorrel", "owner", "a hash of no use")
            code = People(s, "netloft").code_to_pair("Long bench")[1]
            assert not Entrance(s).needs_set_up()
        server = Server(url, "tablet", SHADBO_UNLOCKED="no", SHADBO_TLS=str(folder))
        server.start("--host", HOST, "--name", "slipway", at=f"https://{HOST}", authority=folder / "authority.pem")
        yield server, code, folder
        server.kill()


@pytest.fixture(scope="module")
def tablet(
    served: tuple[Server, str, Path], playing: Playwright, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[Browser]:
    """Chromium on the other host. It is told which key to trust, as one does by taking the authority in."""
    leaf = x509.load_pem_x509_certificate((served[2] / "server.pem").read_bytes())
    key = leaf.public_key().public_bytes(serialization.Encoding.DER, serialization.PublicFormat.SubjectPublicKeyInfo)
    pin = base64.b64encode(hashlib.sha256(key).digest()).decode()
    there = tmp_path_factory.mktemp("bin") / "chromium"
    there.write_text(f'#!/bin/sh\nexec ip netns exec {NAME} /usr/bin/chromium "$@"\n')
    there.chmod(0o755)
    rules = f"--host-resolver-rules=MAP slipway {HOST}"
    pinned = f"--ignore-certificate-errors-spki-list={pin}"
    browser = playing.chromium.launch(executable_path=str(there), args=[*ARGS, pinned, rules])
    yield browser
    browser.close()


def test_a_tablet_on_another_host_plans_and_saves(served: tuple[Server, str, Path], tablet: Browser):
    server, code, _ = served
    page = tablet.new_context(base_url=f"https://slipway:{server.port}").new_page()
    page.set_viewport_size({"width": 834, "height": 1112})
    page.goto("/")
    page.get_by_role("button", name="This is the tablet of a bench").click()
    page.get_by_label("Code").fill(code)
    page.keyboard.press("Enter")
    page.get_by_role("link", name=re.compile("Evening on the slip")).click()
    page.goto("/jobs/101?at=sizes")
    gap = page.get_by_label("Gap, each side")
    gap.fill("9.5")
    gap.press("Enter")
    expect(page.get_by_text(re.compile("^saved"))).to_be_visible(timeout=20_000)
    page.goto("/jobs/101?at=sizes")
    expect(page.get_by_label("Gap, each side")).to_have_value("9.5")
    cookie = next(c for c in page.context.cookies() if "shadbo" in c["name"])
    assert (cookie["name"], cookie["secure"], cookie["httpOnly"]) == ("__Host-shadbo", True, True)


def test_the_authority_that_it_hands_out_vouches_for_it(served: tuple[Server, str, Path]):
    server, _, folder = served
    trusting = ssl.create_default_context(cafile=str(folder / "authority.pem"))
    opener = urllib.request.build_opener(
        urllib.request.ProxyHandler({}), urllib.request.HTTPSHandler(context=trusting)
    )
    with opener.open(f"https://{HOST}:{server.port}/api/authority.pem", timeout=5) as answer:
        assert answer.read() == (folder / "authority.pem").read_bytes()
    with opener.open(f"https://{HOST}:{server.port}/api/session", timeout=5) as answer:
        assert json.load(answer)["name"] is None


def test_nobody_gets_in_without_tls(served: tuple[Server, str, Path]):
    with socket.create_connection((HOST, served[0].port), timeout=5) as s:
        s.sendall(f"GET /api/session HTTP/1.1\r\nHost: {HOST}\r\n\r\n".encode())
        s.settimeout(5)
        with suppress(ConnectionError):
            assert not s.recv(100).startswith(b"HTTP/1.1 200")
