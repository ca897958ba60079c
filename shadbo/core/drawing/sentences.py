"""A drawing in sentences, for whoever does not see it: what it shows, in order, and every dimension."""

from shadbo.core.drawing.scene import Dim, Leader, Scene, Words


def sentences(scene: Scene) -> str:
    """What a scene shows: things that are named, front to wall or from the top left, then its dimensions.

    >>> from shadbo.core.drawing.scene import Scene, Dim
    >>> scene = Scene("from the front")
    >>> scene.add(Dim((0, 0), (9, 0), "outside 728", "across", 1, "low", ""))
    >>> sentences(scene)
    'From the front. Dimensions: outside 728.'
    """
    led = sorted((e for e in scene.elements if isinstance(e, Leader)), key=lambda e: (e.order, e.at[0], -e.at[1]))
    words = sorted((e for e in scene.elements if isinstance(e, Words)), key=lambda e: (-round(e.at[1]), e.at[0]))
    named = [" ".join(e.lines) for e in led] + [e.text for e in words if e.role in ("part", "tiny", "note", "side")]
    told = [e.text for e in words if e.role == "gap"]
    sizes = [e.text for e in scene.elements if isinstance(e, Dim)]
    out = [scene.title[:1].upper() + scene.title[1:]]
    for start, things in (("Shown", named), ("Round the piece", told), ("Dimensions", sizes)):
        if things:
            out.append(f"{start}: {', '.join(dict.fromkeys(things))}")
    return ". ".join(out) + "."
