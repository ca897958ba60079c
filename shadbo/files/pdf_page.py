"""What every printed page shares: page size, type, the words at its head; HTML and SVG in, PDF out."""

from html import escape
from pathlib import Path
from urllib.parse import unquote

from weasyprint import HTML
from weasyprint.urls import URLFetcher, URLFetcherResponse

from shadbo.core.drawing.tiles import Page

FONTS = Path(__file__).parents[2] / "frontend" / "node_modules" / "@fontsource"
FACES = (
    ("Alegreya Sans", 400, "alegreya-sans/files/alegreya-sans-latin-400-normal.woff"),
    ("Alegreya Sans", 700, "alegreya-sans/files/alegreya-sans-latin-700-normal.woff"),
    ("Barlow Condensed", 500, "barlow-condensed/files/barlow-condensed-latin-500-normal.woff"),
    ("Barlow Condensed", 600, "barlow-condensed/files/barlow-condensed-latin-600-normal.woff"),
)


def style(page: Page, margin_mm: float) -> str:
    """The page's style: its own fonts where they are installed, else the system's sans serif."""
    faces = "".join(
        f"@font-face{{font-family:'{name}';font-weight:{weight};src:url('{(FONTS / path).as_uri()}')}}"
        for name, weight, path in FACES
        if (FONTS / path).is_file()
    )
    return (
        f"{faces}@page{{size:{page.width}mm {page.height}mm;margin:{margin_mm}mm}}"
        "html{font-family:'Alegreya Sans',sans-serif;font-size:10.5pt;color:#20242c;line-height:1.25;"
        "font-feature-settings:'lnum','tnum'}body{margin:0}"
        "h1{font-size:17pt;margin:0}h2{font-size:12.5pt;margin:5mm 0 1mm;border-bottom:0.3mm solid #20242c}"
        "p{margin:0 0 1mm}table{border-collapse:collapse;width:100%}"
        "td,th{text-align:left;padding:0.7mm 2mm 0.7mm 0;border-bottom:0.15mm solid #cfc6b0;vertical-align:top}"
        "th{font-weight:700}.n{text-align:right;white-space:nowrap}.soft{color:#625e53}"
        ".care{border-left:1.2mm solid #9c1c1c;padding-left:2mm;margin:1mm 0}"
        ".stop{color:#9c1c1c;font-weight:700}.caution{color:#7a4a00;font-weight:700}"
        ".tight{font-size:9pt}.page{break-after:page}.page:last-child{break-after:auto}"
        ".drawing svg{width:100%;height:auto;display:block}.keep{break-inside:avoid}"
    )


def to_pdf(body: str, page: Page, margin_mm: float = 14.0, title: str = "Shadbo") -> bytes:
    """A PDF of the page's size. Nothing is fetched: all that is shown stands in ``body``."""
    html = f"<!doctype html><html lang='en'><head><title>{escape(title)}</title>"
    html += f"<style>{style(page, margin_mm)}</style></head><body>{body}</body></html>"
    out: bytes = HTML(string=html, url_fetcher=OnlyFonts()).write_pdf()
    return out


class OnlyFonts(URLFetcher):  # type: ignore[misc]
    """Fonts that ship with the application; any other address is refused."""

    def fetch(self, url: str, headers: dict[str, str] | None = None) -> URLFetcherResponse:
        """The font's bytes; ValueError for anything else."""
        path = Path(unquote(url.removeprefix("file://")))
        if url.startswith("file://") and FONTS in path.parents:
            return URLFetcherResponse(url, path.read_bytes(), {"Content-Type": "font/woff"})
        raise ValueError(f"nothing is fetched from {url}")
