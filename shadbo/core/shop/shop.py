"""The workshop as a value: its practice (defaults that its people chose) and its stock."""

from typing import Annotated

from pydantic import Field

from shadbo.core.shop.calendar import Calendar
from shadbo.core.shop.crew import Crew
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.values import Line, Millimetres, Positive, Tool, Value
from shadbo.core.words.lengths import Mark, MarkName, System
from shadbo.core.words.sold import INCH_LENGTHS_MM
from shadbo.core.words.stages import Stage

Factor = Annotated[float, Field(ge=1, le=50)]
Minutes = Annotated[float, Field(gt=0, le=1440)]
Hours = Annotated[float, Field(gt=0, le=1000)]
Pace = Annotated[float, Field(ge=0.2, le=5)]


class Step(Value):
    """One row of a table: up to this size, this value."""

    up_to_mm: Positive
    mm: Millimetres


class Practice(Value):
    """Defaults of the shop. Where no standard is named they are common practice, no source."""

    left_out = frozenset({"paint_mm"})

    cut_tolerance_mm: Millimetres = 0.3
    joint_tolerance_mm: Millimetres = 0.3
    tape_mm: Millimetres = 1.0
    rule_mm: Millimetres = 0.5
    caliper_mm: Millimetres = 0.05
    eye_mm: Millimetres = 3.0

    fit_allowance_mm: Positive = 3.0
    hold_caution_mm: Positive = 3.0
    hold_stop_mm: Positive = 2.0

    fastener_room_mm: Positive = 2.5
    spare_caution_mm: Positive = 3.0
    air_paper_mm: Positive = 3.0
    air_textile_mm: Positive = 6.0
    air_loose_mm: Positive = 8.0
    growth_room_mm: Positive = 1.5
    season_k: Positive = 15.0
    season_rh: Positive = 30.0
    acrylic_over_mm: Positive = 600.0
    rail_sag_most_mm: Positive = 1.5
    points_apart_mm: Positive = 125.0

    mat_border_mm: Positive = 65.0
    mat_weighting: Annotated[float, Field(ge=1, le=1.5)] = 1.15
    mat_border_least_mm: Positive = 38.0
    mat_overlap_mm: Positive = 4.0
    mat_margin_mm: Positive = 10.0
    mat_reveal_mm: Positive = 6.0
    trim_keep_mm: Positive = 3.0
    pane_border_mm: Positive = 40.0
    puzzle_margin_mm: Positive = 20.0
    textile_border_mm: Positive = 25.0
    cloth_mm: Positive = 0.6
    cloth_turn_mm: Positive = 30.0

    canvas_cloth_mm: Positive = 0.5
    back_return_mm: Positive = 25.0
    pull_mm: Positive = 20.0
    bleed_beyond_mm: Positive = 3.0
    staples_apart_mm: Positive = 45.0
    brace_over_mm: Positive = 750.0
    two_braces_over_mm: Positive = 1500.0
    cloth_tension_n_per_mm: Positive = 0.25
    bar_depth_mm: Positive = 20.0
    bar_width_mm: Positive = 45.0

    hinges_first_mm: Positive = 400.0
    hinges_apart_mm: Positive = 300.0
    clips_apart_mm: Positive = 150.0
    barbs_apart_mm: Positive = 15.0
    stitches_apart_mm: Positive = 30.0
    tape_factor: Factor = 5.0
    tape_factor_dear: Factor = 10.0
    hinge_factor: Factor = 10.0
    pin_factor: Factor = 3.0
    magnet_factor: Factor = 4.0

    box_margin_mm: Positive = 40.0
    box_margin_least_mm: Positive = 10.0
    layout_gap_mm: Positive = 25.0
    layout_gap_least_mm: Positive = 5.0
    caption_gap_mm: Positive = 12.0
    snap_mm: Positive = 4.0
    void_beyond_mm: Positive = 2.0
    jersey_border_mm: Positive = 60.0
    jersey_margin_mm: Positive = 30.0
    strip_mm: Positive = 25.0
    strip_least_mm: Positive = 15.0
    notch_room_mm: Positive = 5.0
    pins_carry_mm: Positive = 45.0
    pins_else_mm: Positive = 75.0
    form_inside_mm: Positive = 8.0
    steam_clear_mm: Positive = 50.0
    tilt_least_deg: Positive = 15.0
    void_round_object_mm: Positive = 6.0
    step_least_mm: Positive = 6.0
    layer_room_mm: Positive = 0.5
    wall_least_mm: Positive = 6.0
    core_play_mm: Positive = 2.0
    backing_inset_mm: Positive = 2.0
    seam_from_corner_mm: Positive = 30.0
    hinge_down_mm: Positive = 40.0
    slit_beyond_mm: Positive = 2.0
    paste_short_mm: Positive = 3.0
    corner_leg_mm: Positive = 25.0
    sink_beyond_mm: Positive = 1.0
    border_every_mm: Positive = 100.0
    border_change_mm: Positive = 1.5
    border_gauge_mm: Positive = 1.5
    turning_board_mm: Positive = 20.0
    cover_inside_mm: Positive = 3.0
    wire_wound_mm: Positive = 50.0
    screw_short_mm: Positive = 2.0
    card_grip_mm: Positive = 8.0
    bridge_mm: Positive = 3.0
    lamp_void_times: Annotated[float, Field(ge=1, le=3)] = 1.25
    supply_times: Annotated[float, Field(ge=1, le=3)] = 1.2
    sash_hidden_mm: Positive = 6.0
    card_over_mm: Positive = 15.0
    card_clear_mm: Positive = 10.0
    glass_edge_mm: Positive = 10.0
    tip_to_glass_mm: Positive = 2.0
    kerf_mm: Millimetres = 3.0
    peg_gap_mm: Positive = 30.0
    peg_stress_mpa: Positive = 10.0
    joint_over_kg: Positive = 3.0
    joint_over_mm: Positive = 900.0
    joint_deeper_mm: Positive = 60.0

    floater_gaps: tuple[Step, ...] = (
        Step(up_to_mm=400, mm=5),
        Step(up_to_mm=900, mm=6),
        Step(up_to_mm=1500, mm=10),
        Step(up_to_mm=20_000, mm=12),
    )
    recess_mm: Millimetres = 3.0
    proud_mm: Millimetres = 3.0
    least_gap_mm: Positive = 3.0
    uneven_gap_mm: Positive = 1.5
    face_off_mm: Positive = 1.0
    pad_layers: Annotated[int, Field(ge=1, le=6)] = 3

    screw_lengths_mm: tuple[Positive, ...] = (12, 16, 20, 25, 30, 35, 40, 45, 50, 60)
    screw_in_bar_least_mm: Positive = 12.0
    screw_in_bar_most_mm: Positive = 20.0
    screw_to_cloth_mm: Positive = 5.0
    screw_edge_mm: Positive = 5.0
    ledge_beyond_gap_mm: Positive = 12.0
    screws_apart_mm: Positive = 350.0
    key_reach_mm: Millimetres = 30.0
    fold_reach_mm: Millimetres = 45.0
    clear_of_mm: Millimetres = 5.0

    hanger_down_fraction: Annotated[float, Field(gt=0, lt=0.5)] = 1 / 3
    wire_below_top_mm: Positive = 50.0
    wire_tail_mm: Positive = 100.0
    wire_rise_fraction: Annotated[float, Field(gt=0, lt=1)] = 0.25
    wire_angle_least_deg: Annotated[float, Field(gt=0, lt=80)] = 20.0
    wire_most_kg: Annotated[float, Field(gt=0)] = 6.0
    wire_glazed_most_kg: Annotated[float, Field(gt=0)] = 6.0
    wire_deepest_mm: Positive = 60.0
    strips_most_kg: Annotated[float, Field(gt=0)] = 3.0
    strips_most_mm: Positive = 600.0
    plate_most_kg: Annotated[float, Field(gt=0)] = 2.0
    plate_most_width_mm: Positive = 400.0
    fixed_points_over_kg: Annotated[float, Field(gt=0)] = 15.0
    fixed_points_over_mm: Positive = 1000.0
    cleat_fraction: Annotated[float, Field(gt=0, le=1)] = 2 / 3
    eye_height_mm: Positive = 1500.0
    hardware_factor: Factor = 4.0
    wire_factor: Factor = 4.0
    withdrawal_factor: Factor = 5.0
    lateral_factor: Factor = 1.6

    pace_times: Pace = 1.0
    receive_times: Pace = 1.0
    prepare_times: Pace = 1.0
    frame_times: Pace = 1.0
    boards_times: Pace = 1.0
    mount_times: Pace = 1.0
    fit_times: Pace = 1.0
    close_times: Pace = 1.0
    leave_times: Pace = 1.0
    clamp_min: Minutes = 45.0
    glue_load_h: Hours = 24.0
    dye_test_min: Minutes = 10.0
    mist_min: Minutes = 15.0
    paste_h: Hours = 12.0
    puzzle_glue_h: Hours = 3.0
    spray_h: Hours = 24.0
    tape_alone_h: Hours = 24.0
    coats: Annotated[int, Field(ge=1, le=20)] = 3
    coat_h: Hours = 1.0
    coats_dry_h: Hours = 24.0
    lamps_burn_min: Minutes = 60.0
    pane_dry_min: Minutes = 10.0
    dust_min: Minutes = 10.0
    dust_min_per_m2: Minutes = 40.0
    order_days: Annotated[float, Field(ge=1, le=365)] = 5.0
    press_days: Annotated[float, Field(ge=1, le=365)] = 14.0
    benches: Annotated[int, Field(ge=1, le=100)] = 4
    clamp_sets: Annotated[int, Field(ge=1, le=100)] = 4

    def stage_times(self, stage: Stage) -> float:
        """How much longer a stage takes here than the usual minutes, besides the pace of all work."""
        return {
            "receive": self.receive_times,
            "prepare": self.prepare_times,
            "frame": self.frame_times,
            "boards": self.boards_times,
            "mount": self.mount_times,
            "fit": self.fit_times,
            "close": self.close_times,
            "leave": self.leave_times,
        }[stage]

    def screws_sold_mm(self, by_inch: bool) -> tuple[float, ...]:
        """Lengths that screws are sold in: the shop's own; by the inch where it said no others and buys by it."""
        usual = type(self).model_fields["screw_lengths_mm"].default
        return INCH_LENGTHS_MM if by_inch and self.screw_lengths_mm == usual else self.screw_lengths_mm

    def half_width_mm(self, tool: Tool) -> float:
        """Reading uncertainty of a tool, as a half-width."""
        return {"tape": self.tape_mm, "rule": self.rule_mm, "caliper": self.caliper_mm, "eye": self.eye_mm}[tool]


class Shop(Value):
    """A workshop: name, mark, when it is open, who works there, practice and stock."""

    name: Line = "Workshop"
    mark: MarkName = "0.5 mm"
    currency: Line = "€"
    calendar: Calendar = Calendar()
    crew: Crew = Field(default_factory=dict)
    practice: Practice = Practice()
    stock: Stock = Stock()

    def the_mark(self) -> Mark:
        """The mark that this workshop cuts to."""
        return Mark.named(self.mark)

    @property
    def system(self) -> System:
        """Millimetres or inches: what a bare number means."""
        return self.the_mark().system
