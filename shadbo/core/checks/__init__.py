"""The checks: one function a slip. Each reads assembly and sheet, and yields findings with proposed edits."""

from collections.abc import Callable, Iterator

from shadbo.core.checks import built, depth, gaps, hanging, readings, screws
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding

CHECKS: tuple[Callable[[Look], Iterator[Finding]], ...] = (
    readings.sides_far_apart,
    readings.diagonals_impossible,
    readings.diagonals_do_not_close,
    readings.edge_hidden,
    gaps.gap_too_small,
    gaps.gap_uneven,
    gaps.ledge_too_narrow,
    depth.face_cannot_be_had,
    depth.face_off,
    screws.grip,
    screws.towards_cloth,
    screws.line_off,
    screws.on_something,
    screws.too_few,
    hanging.hanger_too_weak,
    hanging.kind_unfit,
    hanging.wire_too_tight,
    hanging.screws_too_weak,
    built.inside_for_outside,
    built.off_plan,
    built.unanswered,
)
