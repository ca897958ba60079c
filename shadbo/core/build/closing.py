"""What glazing a build has, as its steps and its closing speak of it."""

from shadbo.core.build.assembly import Assembly


def glazing_kinds(assembly: Assembly) -> frozenset[str]:
    """Kinds of its panes: glass, acrylic; none where nothing is glazed."""
    return frozenset(p.sheet.kind for p in assembly.parts if p.sheet is not None and p.sheet.glazing)
