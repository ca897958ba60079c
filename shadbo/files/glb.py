"""The build in three dimensions, as binary glTF at true size, through a mesh library."""

from itertools import pairwise

import numpy as np
import shapely
import trimesh
from trimesh.visual.material import PBRMaterial

from shadbo.core.drawing.ink import FILLS
from shadbo.core.plan import Plan
from shadbo.core.solids.body import Body, Prism, shape_of

GLASS_ALPHA = 90
M_PER_MM = 0.001


class NoSolids(ValueError):
    """There is nothing to show yet."""


def as_glb(plan: Plan) -> bytes:
    """One node for each body, named as in the list; metres, y up, the viewer in front at positive z.

    NoSolids while readings are missing.
    """
    bodies = plan.bodies
    if not bodies:
        raise NoSolids("there is nothing to show before the readings are in")
    scene = trimesh.Scene()
    for body in bodies:
        scene.add_geometry(mesh_of(body), node_name=body.id, geom_name=f"{body.id}: {body.name}")
    data: bytes = scene.export(file_type="glb")
    return data


def mesh_of(body: Body) -> trimesh.Trimesh:
    """A closed mesh of a body's prisms, in metres, with the colour of its material."""
    mesh = trimesh.util.concatenate([_extruded(p) for p in body.prisms])
    tone = FILLS[body.hatch].tone
    rgb = [int(tone[i : i + 2], 16) for i in (1, 3, 5)] if tone.startswith("#") else [230, 230, 230]
    alpha = GLASS_ALPHA if body.hatch == "glass" else 255
    mesh.visual = trimesh.visual.TextureVisuals(
        material=PBRMaterial(
            name=body.hatch,
            baseColorFactor=[*rgb, alpha],
            metallicFactor=0.0,
            roughnessFactor=0.8,
            alphaMode="BLEND" if alpha < 255 else "OPAQUE",
        )
    )
    return mesh


def _extruded(prism: Prism) -> trimesh.Trimesh:
    """Front and back in triangles, and a wall along every edge; corners shared, so that it is closed."""
    front, back = -prism.front_mm, -prism.back_mm
    corners: list[tuple[float, float, float]] = []

    def add(*dots: tuple[float, float, float]) -> None:
        corners.extend(dots)

    shape = shape_of(prism)
    for triangle in shapely.constrained_delaunay_triangles(shape).geoms:
        a, b, c = shapely.get_coordinates(shapely.orient_polygons(triangle))[:3].tolist()
        add((*a, front), (*b, front), (*c, front))
        add((*a, back), (*c, back), (*b, back))
    for piece in getattr(shape, "geoms", (shape,)):
        turned = shapely.orient_polygons(piece)
        for ring in (turned.exterior, *turned.interiors):
            for p, q in pairwise(shapely.get_coordinates(ring).tolist()):
                add((*p, front), (*p, back), (*q, back))
                add((*p, front), (*q, back), (*q, front))
    dots = np.array(corners) * M_PER_MM
    mesh = trimesh.Trimesh(dots, np.arange(len(dots)).reshape(-1, 3), process=False)
    mesh.merge_vertices(digits_vertex=9)
    return mesh
