"""Body surface area."""

from math import sqrt


def mosteller(height_cm: float, weight_kg: float) -> float:
    """Body surface in m2. Source: Mosteller 1987 (from memory): sqrt(cm * kg / 3600)."""
    return sqrt(height_cm * weight_kg / 3600)


def du_bois(height_cm: float, weight_kg: float) -> float:
    """Body surface in m2. Source: Du Bois 1916 (from memory): 0.007184 * kg^0.425 * cm^0.725."""
    return float(0.007184 * weight_kg**0.425 * height_cm**0.725)
