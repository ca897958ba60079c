"""What hangers may carry, by their makers' ratings."""

from shadbo.core.shop.materials import Hanger


def safe_kg(hanger: Hanger, factor: float) -> float:
    """What a hanger may carry: a maker's picture weight counts as it is, a load is divided by the factor."""
    return hanger.rating_kg if hanger.rating_is == "picture weight" else hanger.rating_kg / factor


def asked_kg(hanger: Hanger, weight_kg: float, each_kg: float) -> float:
    """What is asked of it in the terms of its rating: the whole picture, or the load on one."""
    return weight_kg if hanger.rating_is == "picture weight" else each_kg
