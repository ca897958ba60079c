"""What the first page weighs: gzipped script, style and fonts as built. Run: python -m bench.first_page"""

import gzip
import re
from pathlib import Path

DIST = Path(__file__).parents[1] / "frontend" / "dist"


def main() -> None:
    html = (DIST / "index.html").read_text()
    total = 0
    for name in re.findall(r'(?:src|href)="/(assets/[^"]+)"', html):
        size = len(gzip.compress((DIST / name).read_bytes(), 9))
        total += size if name.endswith(".js") else 0
        print(f"{name:<60} {size / 1000:8.1f} kB gzipped")
    fonts = sum(f.stat().st_size for f in (DIST / "assets").glob("*-latin-*.woff2") if "-ext-" not in f.name)
    print(f"{'fonts, woff2, latin':<60} {fonts / 1000:8.1f} kB")
    print(f"{'script of the first page':<60} {total / 1000:8.1f} kB gzipped   bar: < 200 kB")


if __name__ == "__main__":
    main()
