"""The notices that ship with the build: every package of the lock files, and the fonts' own terms."""

import json
import re
from pathlib import Path

from shadbo.cli.notices import notices

ROOT = Path(__file__).parents[2]


def test_every_package_that_ships_is_named_with_its_terms():
    text = notices()
    listed = dict(re.findall(r"^  (\S+) \S+: (.+)$", text, re.MULTILINE))
    node = json.loads((ROOT / "frontend/package.json").read_text())["dependencies"]
    assert set(node) <= listed.keys()
    direct = {"fastapi", "pydantic", "sqlalchemy", "alembic", "psycopg", "shapely", "weasyprint", "ezdxf", "ortools"}
    assert direct <= {name.lower() for name in listed}
    assert [name for name, terms in listed.items() if not terms.strip()] == []
    assert "SIL OPEN FONT LICENSE" in text.upper()
    assert text.upper().count("PERMISSION IS HEREBY GRANTED") > 5
