"""Stock and practice of the demo workshop. All names, sizes and prices are invented."""

from shadbo.core.shop.materials import FloaterProfile, Hanger, PadStock, PlainStock, Screw, Wire
from shadbo.core.shop.shop import Shop, Stock
from shadbo.demo.sheets import CLIPS, DOWELS, FRAMES, LAMPS, POSTER_RAILS, SHEETS, SPACERS, SUPPLIES, TAPES

PROFILES = (
    FloaterProfile(
        id="skiff-24", name="Skiff 24", wall_mm=7, inside_depth_mm=24, ledge_mm=22, ledge_thick_mm=10, price_per_m=5.2
    ),
    FloaterProfile(
        id="skiff-32", name="Skiff 32", wall_mm=7, inside_depth_mm=32, ledge_mm=24, ledge_thick_mm=10, price_per_m=6.1
    ),
    FloaterProfile(
        id="quay-46", name="Quay 46", wall_mm=9, inside_depth_mm=46, ledge_mm=25, ledge_thick_mm=6, price_per_m=8.4
    ),
    FloaterProfile(
        id="quay-54",
        name="Quay 54 oak",
        wall_mm=10,
        inside_depth_mm=54,
        ledge_mm=28,
        ledge_thick_mm=12,
        species="hardwood",
        price_per_m=12.8,
    ),
    FloaterProfile(
        id="mole-68", name="Mole 68", wall_mm=12, inside_depth_mm=68, ledge_mm=32, ledge_thick_mm=12, price_per_m=11.5
    ),
)
PLAIN = (
    PlainStock(id="pine-18", name="pine 18 square", face_mm=18, height_mm=18, price_per_m=1.9),
    PlainStock(id="pine-20-45", name="pine 20 × 45", face_mm=20, height_mm=45, price_per_m=2.6),
    PlainStock(id="pine-24-90", name="pine 24 × 90", face_mm=24, height_mm=90, price_per_m=4.1),
    PlainStock(id="pine-28-160", name="pine board 28 × 160", face_mm=28, height_mm=160, price_per_m=6.2),
    PlainStock(id="pine-28-200", name="pine board 28 × 200", face_mm=28, height_mm=200, price_per_m=7.9),
    PlainStock(id="ash-20-60", name="ash 20 × 60", face_mm=20, height_mm=60, species="hardwood", price_per_m=6.9),
)
PADS = (
    PadStock(id="felt-1", name="felt 1", thick_mm=1, species="felt", price_per_m2=9),
    PadStock(id="cork-2", name="cork 2", thick_mm=2, species="cork", price_per_m2=14),
    PadStock(id="foam-3", name="foam board 3", thick_mm=3, species="foam board", price_per_m2=8),
    PadStock(id="foam-5", name="foam board 5", thick_mm=5, species="foam board", price_per_m2=10),
    PadStock(id="ply-9", name="plywood 9", thick_mm=9, species="plywood", price_per_m2=22),
    PadStock(id="pine-18-strip", name="pine strip 18", thick_mm=18, species="softwood", price_per_m2=30),
)
SCREWS = (
    *(
        Screw(id=f"screw-{n}", name=f"wood screw 4 × {n}", length_mm=n, diameter_mm=4, price=0.06)
        for n in (12, 16, 20, 25, 30, 35, 40, 50, 60)
    ),
    Screw(id="screw-fine", name="fine screw 2 × 8", length_mm=8, diameter_mm=2, price=0.05),
)
HANGERS = (
    Hanger(
        id="plate",
        name="toothed plate",
        kind="plate",
        rating_kg=2,
        rating_is="picture weight",
        hook_above_mm=0,
        stands_out_mm=2,
        screws=2,
        screw_mm=10,
        screw_diameter_mm=2,
        wide_mm=44,
        high_mm=9,
        price=0.4,
    ),
    Hanger(
        id="ring-small",
        name="D-ring, one screw",
        kind="wire",
        rating_kg=12,
        hook_above_mm=12,
        stands_out_mm=5,
        screws=1,
        screw_mm=12,
        screw_diameter_mm=3,
        wide_mm=9,
        high_mm=24,
        price=0.35,
    ),
    Hanger(
        id="ring-large",
        name="D-ring, two screws",
        kind="wire",
        rating_kg=30,
        hook_above_mm=14,
        stands_out_mm=6,
        screws=2,
        screw_mm=16,
        screw_diameter_mm=3,
        wide_mm=12,
        high_mm=36,
        price=0.8,
    ),
    Hanger(
        id="strap-two",
        name="two-hole strap",
        kind="straps",
        rating_kg=25,
        hook_above_mm=24,
        stands_out_mm=6,
        screws=2,
        screw_mm=16,
        screw_diameter_mm=3,
        wide_mm=14,
        high_mm=44,
        price=0.9,
    ),
    Hanger(
        id="strap-one",
        name="one-hole strap",
        kind="straps",
        rating_kg=12,
        hook_above_mm=14,
        stands_out_mm=4,
        screws=1,
        screw_mm=16,
        screw_diameter_mm=3,
        wide_mm=9,
        high_mm=26,
        price=0.6,
    ),
    Hanger(
        id="ring-fine",
        name="D-ring plate, three fine screws",
        kind="wire",
        rating_kg=12,
        stands_out_mm=6,
        hook_above_mm=0,
        screws=3,
        screw_diameter_mm=2,
        screw_mm=10,
        wide_mm=18,
        high_mm=22,
        price=0.6,
    ),
    Hanger(
        id="strap-fine",
        name="strap, four fine screws",
        kind="straps",
        rating_kg=16,
        stands_out_mm=5,
        hook_above_mm=18,
        screws=4,
        screw_diameter_mm=2,
        screw_mm=10,
        wide_mm=15,
        high_mm=40,
        price=1.3,
    ),
    Hanger(
        id="strap-four",
        name="four-hole strap",
        kind="straps",
        rating_kg=60,
        hook_above_mm=30,
        stands_out_mm=8,
        screws=4,
        screw_mm=16,
        screw_diameter_mm=3.5,
        wide_mm=20,
        high_mm=60,
        price=1.9,
    ),
    Hanger(
        id="cleat",
        name="bevelled cleat",
        kind="cleat",
        rating_kg=30,
        rating_is="picture weight",
        hook_above_mm=0,
        stands_out_mm=12,
        screws=4,
        screw_mm=20,
        screw_diameter_mm=3.5,
        wide_mm=150,
        high_mm=35,
        price=6.5,
    ),
)
WIRES = (
    Wire(id="braid-20", name="braided wire, 20 kg", rating_kg=20, price_per_m=0.5),
    Wire(id="cable-45", name="coated cable, 45 kg", rating_kg=45, price_per_m=1.1),
)


def demo_shop() -> Shop:
    """Netloft Framing, which works in millimetres."""
    stock = Stock(
        floater_profiles=PROFILES,
        plain_stock=PLAIN,
        pads=PADS,
        screws=SCREWS,
        hangers=HANGERS,
        wires=WIRES,
        frames=FRAMES,
        sheets=SHEETS,
        clips=CLIPS,
        tapes=TAPES,
        spacers=SPACERS,
        poster_rails=POSTER_RAILS,
        lamps=LAMPS,
        supplies=SUPPLIES,
        dowels=DOWELS,
    )
    return Shop(name="Netloft Framing", mark="0.5 mm", stock=stock)
