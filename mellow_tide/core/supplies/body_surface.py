"""Body surface area."""

from math import sqrt


def mosteller(height_cm: float, weight_kg: float) -> float:
    """Body surface in m2. Source: Mosteller 1987 (from memory): sqrt(cm * kg / 3600)."""
    return sqrt(height_cm * weight_kg / 3600)
