"""A page about the API, made from its own OpenAPI document: it ships with the program and fetches nothing."""

from collections.abc import Iterator, Mapping
from html import escape
from typing import Any

STYLE = """
body { font: 17px/1.45 system-ui, sans-serif; margin: 2rem auto; max-width: 60rem; padding: 0 1rem; color: #222 }
h2 { border-bottom: 1px solid; margin-top: 2.5rem } h3 { margin: 1.6rem 0 .2rem } code { font-size: .95em }
h3 b { display: inline-block; min-width: 4.5rem } table { border-collapse: collapse } td, th { text-align: left;
padding: .1rem 1rem .1rem 0; vertical-align: top } p { margin: .2rem 0 }
"""
METHODS = ("get", "post", "put", "patch", "delete")


def api_page(document: Mapping[str, Any]) -> str:
    """HTML of an OpenAPI document: operations by tag, their parameters, bodies and answers, and every schema."""
    info = document["info"]
    title = escape(f"{info['title']} {info['version']}: the API")
    parts = [
        f'<!doctype html><html lang="en"><head><meta charset="utf-8"><title>{title}</title>',
        '<link rel="stylesheet" href="/api/page.css"></head>',
        f'<body><main><h1>{title}</h1><p>The same as a document: <a href="/api/openapi.json">openapi.json</a>. '
        "Problems are answered as <code>application/problem+json</code>.</p>",
    ]
    for tag, operations in sorted(_by_tag(document).items()):
        parts.append(f"<h2>{escape(tag)}</h2>")
        parts += [_operation(*operation) for operation in operations]
    parts.append("<h2>Schemas</h2>")
    for name, schema in sorted(document.get("components", {}).get("schemas", {}).items()):
        parts.append(_schema(name, schema))
    return "".join([*parts, "</main></body></html>"])


def _by_tag(document: Mapping[str, Any]) -> dict[str, list[tuple[str, str, Mapping[str, Any]]]]:
    tags: dict[str, list[tuple[str, str, Mapping[str, Any]]]] = {}
    for path, item in document["paths"].items():
        for method in METHODS:
            if method in item:
                tags.setdefault((item[method].get("tags") or ["other"])[0], []).append((method, path, item[method]))
    return tags


def _operation(method: str, path: str, said: Mapping[str, Any]) -> str:
    out = [f"<h3><b>{method.upper()}</b> <code>{escape(path)}</code></h3>"]
    out += [f"<p>{escape(line)}</p>" for line in said.get("description", "").split("\n\n") if line]
    rows = [
        (f"{p['name']} ({p['in']})", _type(p.get("schema", {})) + ("" if p.get("required") else ", optional"))
        for p in said.get("parameters", ())
    ]
    rows += [("body", kind) for kind in _content(said.get("requestBody", {}))]
    for status, answer in said.get("responses", {}).items():
        rows.append((status, ", ".join(_content(answer)) or escape(answer.get("description", ""))))
    out.append(_table(rows))
    return "".join(out)


def _content(said: Mapping[str, Any]) -> Iterator[str]:
    for kind, held in said.get("content", {}).items():
        shape = _type(held.get("schema", {}))
        yield shape if kind == "application/json" else f"{escape(kind)} {shape}"


def _schema(name: str, schema: Mapping[str, Any]) -> str:
    head = f'<h3 id="{escape(name)}"><code>{escape(name)}</code></h3><p>{escape(schema.get("description", ""))}</p>'
    needed = set(schema.get("required", ()))
    rows = [
        (field, _type(held) + ("" if field in needed else ", optional"))
        for field, held in schema.get("properties", {}).items()
    ]
    return head + (_table(rows) if rows else f"<p>{_type(schema)}</p>")


def _table(rows: list[tuple[str, str]]) -> str:
    lines = "".join(f'<tr><th scope="row"><code>{escape(a)}</code></th><td>{b}</td></tr>' for a, b in rows)
    return f"<table>{lines}</table>"


def _type(schema: Mapping[str, Any]) -> str:
    """A schema in a few words, with links to those that have a name."""
    if "$ref" in schema:
        name = escape(schema["$ref"].rsplit("/", 1)[-1])
        return f'<a href="#{name}">{name}</a>'
    for key in ("anyOf", "oneOf", "allOf"):
        if key in schema:
            return " or ".join(dict.fromkeys(_type(s) for s in schema[key]))
    if "enum" in schema or "const" in schema:
        return " | ".join(escape(str(v)) for v in schema.get("enum", [schema.get("const")]))
    if schema.get("type") == "array":
        return f"list of {_type(schema.get('items', {}))}"
    if schema.get("type") == "object" and isinstance(schema.get("additionalProperties"), dict):
        return f"map of {_type(schema['additionalProperties'])}"
    return escape(str(schema.get("type", "any")))
