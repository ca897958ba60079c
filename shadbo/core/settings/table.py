"""Every habit of the shop in words: where it belongs, what it is, its unit, and the line of an example that shows it.

All defaults are common practice, no source, unless one is named.
"""

from dataclasses import dataclass
from typing import Literal

from shadbo.core.findings import StationName

Unit = Literal[
    "length", "kg", "times", "share", "°", "K", "% RH", "N/mm", "MPa", "layers", "min", "h", "days", "coats"
]


@dataclass(frozen=True, slots=True)
class Setting:
    """One habit; ``example`` and ``line`` name where it is seen: a line's figure, or a check where none is named."""

    name: str
    station: StationName
    label: str
    unit: Unit
    example: str = ""
    line: str = ""
    source: str = "common practice"


def _rows(station: StationName, *rows: tuple[str, ...]) -> tuple[Setting, ...]:
    return tuple(Setting(name, station, label, unit, *rest) for name, label, unit, *rest in rows)  # type: ignore[arg-type]


SETTINGS: tuple[Setting, ...] = (
    *_rows(
        "measure",
        ("tape_mm", "A tape reads to within, either way", "length"),
        ("rule_mm", "A rule reads to within, either way", "length", "canvas"),
        ("caliper_mm", "A caliper reads to within, either way", "length"),
        ("eye_mm", "By eye, to within, either way", "length"),
        ("cut_tolerance_mm", "The saw cuts to within, either way", "length", "print"),
        ("joint_tolerance_mm", "A joined corner comes out within, either way", "length", "framed canvas"),
        ("trim_keep_mm", "Of a margin, stays at least when it is trimmed", "length"),
        ("cloth_mm", "Cloth of a textile, where nobody measured it", "length"),
        ("canvas_cloth_mm", "Cloth of a canvas, thickness", "length", "cloth", "canvas.width"),
        ("bar_depth_mm", "Stretcher bars, depth", "length", "cloth", "stretch.cloth_width"),
        ("bar_width_mm", "Stretcher bars, width", "length", "cloth", "brace.bow_width"),
        ("back_return_mm", "Canvas turned onto the back", "length", "cloth", "stretch.cloth_width"),
        ("pull_mm", "Canvas more, for the pliers", "length", "cloth", "stretch.cloth_width"),
        (
            "bleed_beyond_mm",
            "A print's bleed beyond the bar's depth",
            "length",
            "print to be made",
            "stretch.file_width",
        ),
        ("staples_apart_mm", "Staples apart", "length", "cloth", "stretch.staples"),
        ("brace_over_mm", "A brace over a clear span of", "length", "large canvas"),
        ("two_braces_over_mm", "Two braces over", "length", "canvas"),
        ("cloth_tension_n_per_mm", "Cloth pulls its bars inwards by", "N/mm", "large canvas", "brace.bow_width"),
    ),
    *_rows(
        "sizes",
        ("fit_allowance_mm", "Fit allowance, both sides together", "length", "framed canvas", "frame.outside_width"),
        ("growth_room_mm", "Room besides what acrylic grows by", "length", "large print", "fit.allowance_width"),
        ("season_k", "Warmer by, over the year", "K", "large print", "season.growth_width"),
        ("season_rh", "Damper by, over the year", "% RH", "large print", "season.growth_width"),
        ("hold_caution_mm", "A lip that holds less than this is a caution", "length", "framed canvas", "profile.lip"),
        ("hold_stop_mm", "A lip that holds less than this is a stop", "length", "framed canvas"),
        ("mat_border_mm", "Border of a mat", "length", "print", "frame.outside_width"),
        ("mat_weighting", "Bottom border, times the top", "times", "print", "mat.bottom"),
        ("mat_border_least_mm", "A border under this looks mean", "length", "print"),
        ("mat_overlap_mm", "Mat over the sheet, each side", "length", "print", "window.width"),
        ("mat_margin_mm", "Air round a sheet that floats in its window", "length", "pastel", "window.width"),
        ("mat_reveal_mm", "Reveal of an inner mat", "length", "print", "window.outer_width"),
        ("pane_border_mm", "Clear border between two panes", "length", "panes", "frame.outside_width"),
        ("puzzle_margin_mm", "Margin round a puzzle", "length", "puzzle", "frame.outside_width"),
        ("textile_border_mm", "Border round a design", "length", "needlework", "frame.outside_width"),
        ("recess_mm", "A canvas stands back in its floater by", "length", "canvas", "pad.wanted"),
        ("proud_mm", "A canvas stands proud by, where that is chosen", "length"),
        ("least_gap_mm", "A floater's gap is never less than", "length"),
        ("uneven_gap_mm", "A gap that changes by more than this is seen", "length"),
        ("face_off_mm", "A face off by more than this is seen", "length"),
        ("box_margin_mm", "Margin round a group in a box", "length", "badges", "field.width"),
        ("box_margin_least_mm", "A margin under this is a caution", "length", "badges"),
        ("layout_gap_mm", "Gap between outlines", "length", "badges", "field.width"),
        ("layout_gap_least_mm", "A gap under this is a caution", "length"),
        ("caption_gap_mm", "A plate below what it names, by", "length"),
        ("snap_mm", "A moved piece comes to rest on lines within", "length"),
        ("jersey_border_mm", "Border of a jersey box's mat", "length", "shirt", "mat.width"),
        ("jersey_margin_mm", "Air round a garment in its opening", "length", "shirt", "opening.width"),
        ("strip_mm", "Strip of mat between openings", "length", "shirt", "mat.width"),
        ("strip_least_mm", "A strip under this curls", "length", "shirt"),
        ("notch_room_mm", "Mat round a badge in its notch", "length", "shirt", "item.piece-3.notch_width"),
        ("peg_gap_mm", "Air round an object on pegs", "length", "plane", "rail.width"),
        ("sash_hidden_mm", "Cloth's core behind a sash's rail, each side", "length", "banner", "core.width"),
        ("core_play_mm", "Play of a wrapped core in its sash", "length", "banner", "core.width"),
        ("bridge_mm", "Bridges that hold the middles of cut letters", "length", "model", "bridge.width"),
        ("border_change_mm", "A border may change along its side by", "length"),
    ),
    *_rows(
        "depth",
        ("fastener_room_mm", "Rabbet's wall kept for fasteners", "length", "framed canvas", "depth.needed"),
        ("spare_caution_mm", "Spare depth over this is filled", "length", "pastel", "stack.filler"),
        ("air_paper_mm", "Air before paper and boards", "length", "puzzle", "air.made"),
        ("air_textile_mm", "Air before textiles and objects", "length", "needlework", "air.needed"),
        ("air_loose_mm", "Air before a loose surface", "length", "pastel", "air.needed"),
        ("acrylic_over_mm", "Acrylic instead of glass from a longer side of", "length", "print", "profile.lip"),
        ("void_beyond_mm", "Void behind a clasp beyond its length", "length", "badges", "void.needed"),
        ("void_round_object_mm", "Air round objects before a lit board", "length", "model", "stack.front_void"),
        ("step_least_mm", "Steps of a light box are at least", "length", "model", "profile.lip"),
        ("layer_room_mm", "Room behind each layer on its step", "length", "model", "rail.ripped"),
        ("wall_least_mm", "Wall left behind the last step", "length", "model"),
        ("lamp_void_times", "Light void, times the lamps' pitch", "times", "model", "stack.light_void"),
        ("supply_times", "Supply, times what the lamps draw", "times", "model", "supply.needed"),
        ("pad_layers", "Pads are stacked of at most", "layers"),
    ),
    *_rows(
        "mount",
        ("hinges_first_mm", "Two hinges up to a width of", "length", "print", "mount.count"),
        ("hinges_apart_mm", "One hinge more for every further", "length", "large print", "mount.count"),
        ("hinge_down_mm", "Hinges' slits below the top edge", "length"),
        ("slit_beyond_mm", "A slit is longer than its tape by", "length"),
        ("paste_short_mm", "Paste stays short of a tab's edges by", "length"),
        ("corner_leg_mm", "Legs of paper corners", "length"),
        ("sink_beyond_mm", "A sink is larger than what lies in it by", "length"),
        ("clips_apart_mm", "Clips apart, at most", "length", "framed canvas", "clip.top.2"),
        ("barbs_apart_mm", "Barbs apart", "length", "needlework", "mount.count"),
        ("stitches_apart_mm", "Stitches apart", "length"),
        ("pins_carry_mm", "Pins apart where they carry", "length", "shirt", "item.piece.pins"),
        ("pins_else_mm", "Pins apart elsewhere", "length", "shirt", "item.piece.pins"),
        ("form_inside_mm", "A form inside the garment's outline by", "length", "shirt", "item.piece.form_width"),
        ("steam_clear_mm", "Steam keeps off ink and stickers by", "length"),
        ("tilt_least_deg", "A standing figure bears a tilt of", "°", "model"),
        ("tape_factor", "Factor on tape and strips", "times", "puzzle", "mount.factor"),
        ("tape_factor_dear", "Factor on them for what is irreplaceable", "times"),
        ("hinge_factor", "Factor on hinges", "times", "print", "mount.factor"),
        ("pin_factor", "Factor on pins", "times", "needlework", "mount.factor"),
        ("magnet_factor", "Factor on magnets", "times", "poster", "mount.factor"),
        ("screw_in_bar_least_mm", "A screw holds in the bar at least", "length", "canvas", "screw.least"),
        ("screw_in_bar_most_mm", "A screw goes into the bar at most", "length", "canvas", "screw.most"),
        ("screw_to_cloth_mm", "A screw stays from the cloth by", "length", "canvas", "screw.most"),
        ("screw_edge_mm", "A hole stays from any edge by", "length", "large canvas"),
        ("ledge_beyond_gap_mm", "A ledge is wider than its gap by", "length", "canvas", "ledge.spare"),
        ("screws_apart_mm", "Screws apart, at most", "length", "canvas", "screw.apart"),
        ("key_reach_mm", "Keys reach along a bar", "length", "canvas", "screw.top.1"),
        ("fold_reach_mm", "Folds reach along a bar", "length"),
        ("clear_of_mm", "A screw keeps off keys, folds and braces by", "length", "canvas", "screw.top.1"),
        ("turning_board_mm", "Turning boards are larger by, all round", "length"),
        ("backing_inset_mm", "A glued backing inside the edge by", "length", "glued puzzle", "backing.width"),
        ("seam_from_corner_mm", "A backing's seam stays from a corner by", "length"),
        ("peg_stress_mpa", "A dowel bends under at most", "MPa"),
        ("border_every_mm", "A border is checked every", "length"),
        ("dye_test_min", "A dye test on a hidden thread takes", "min"),
        ("mist_min", "Alcohol mist is left for", "min"),
        ("press_days", "A pressed plant stays in the press", "days"),
        ("paste_h", "Hinge paste dries under weights", "h"),
        ("puzzle_glue_h", "Glue of a puzzle and its backing sets under weights", "h"),
        ("spray_h", "Spray adhesive sets before fitting", "h"),
        ("tape_alone_h", "Tape that holds alone sets under weights", "h"),
    ),
    *_rows(
        "parts",
        ("points_apart_mm", "Points apart, about", "length", "print", "point.count"),
        ("glass_edge_mm", "A fastener stays from glass's edge by", "length"),
        ("tip_to_glass_mm", "A screw's tip stays from the glass by", "length", "banner"),
        ("screw_short_mm", "A screw ends short of the far face by", "length", "canvas", "hang.screw"),
        ("card_over_mm", "A rear card reaches over its core by", "length", "banner", "card.width"),
        ("card_clear_mm", "A rear card stays inside the sash by", "length", "banner", "card.width"),
        ("card_grip_mm", "A card's screw grips the wood by", "length", "banner", "card.screw"),
        ("cloth_turn_mm", "Cloth turned behind its board", "length", "needlework", "cloth.width"),
        ("cover_inside_mm", "Dust paper is trimmed inside the edge by", "length"),
        ("rail_sag_most_mm", "A bottom rail may sag by", "length", "large print"),
        ("joint_over_kg", "A corner wants more than glue over", "kg"),
        ("joint_over_mm", "A corner wants more than glue from a side of", "length"),
        ("joint_deeper_mm", "A corner wants more than glue from a depth of", "length"),
        ("border_gauge_mm", "The border gauge gives or takes", "length"),
        ("pace_times", "Work takes, times the usual minutes", "times"),
        ("clamp_min", "A glued corner stays clamped", "min"),
        ("glue_load_h", "Wood glue bears a load after", "h"),
        ("coats", "Coats of a finish", "coats"),
        ("coat_h", "Between two coats", "h"),
        ("coats_dry_h", "A finish dries before fitting", "h"),
        ("pane_dry_min", "A cleaned pane dries", "min"),
        ("dust_min", "Dust on a large acrylic, to begin with", "min"),
        ("dust_min_per_m2", "Dust on a large acrylic, for each square metre", "min"),
        ("lamps_burn_min", "Lamps burn for a trial", "min"),
        ("order_days", "What is cut elsewhere comes after working days", "days"),
    ),
    *_rows(
        "hang",
        ("eye_height_mm", "Eye height", "length", "canvas", "hang.hook"),
        ("hanger_down_fraction", "Hangers below the top, share of the height", "share", "canvas", "hang.down"),
        ("wire_below_top_mm", "A wire stays below the top edge by", "length", "canvas", "wire.rise"),
        ("wire_rise_fraction", "A wire rises, share of half its span", "share", "cloth", "wire.tension"),
        ("wire_angle_least_deg", "A wire pulled flatter than this is too tight", "°", "canvas", "hang.hook"),
        ("wire_tail_mm", "Tail of a wire at each end", "length", "canvas", "wire.length"),
        ("wire_wound_mm", "A braided wire is wound back by", "length"),
        ("wire_most_kg", "No wire over a weight of", "kg", "plain", "hang.hook"),
        ("wire_glazed_most_kg", "No wire on glazed work over", "kg", "print", "hang.hook"),
        ("wire_deepest_mm", "No wire behind boxes deeper than", "length", "plain", "hang.hook"),
        ("strips_most_kg", "No wall strips over a weight of", "kg"),
        ("strips_most_mm", "No wall strips from a side of", "length", "glued puzzle", "hang.hook"),
        ("plate_most_kg", "One plate up to a weight of", "kg", "badges", "hang.hook"),
        ("plate_most_width_mm", "One plate up to a width of", "length", "needlework", "hang.hook"),
        ("fixed_points_over_kg", "Fixed points over a weight of", "kg"),
        ("fixed_points_over_mm", "Fixed points from a side of", "length", "large canvas", "hang.hook"),
        ("cleat_fraction", "A cleat's length, share of the width", "share"),
        ("hardware_factor", "Factor on hangers and wall fixings", "times", "canvas", "wall.each"),
        ("wire_factor", "Factor on wire", "times"),
        ("withdrawal_factor", "Factor on screws pulled out", "times", "canvas", "hang.hold"),
        ("lateral_factor", "Factor on screws loaded across", "times", "canvas", "hang.across"),
    ),
)

BY_NAME = {s.name: s for s in SETTINGS}
TITLES: dict[StationName, str] = {
    "measure": "Measuring, cutting, stretching",
    "sizes": "Sizes, borders and gaps",
    "depth": "Depth",
    "mount": "How things are held",
    "parts": "Joining and closing",
    "hang": "Hanging",
}
