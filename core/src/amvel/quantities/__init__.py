"""The quantities of a demand profile: limits, profiles, charts and screens point at these and nothing else."""

from amvel.quantities import posture_and_load, how_it_is_done, combined  # isort: skip  # in the order in which screens list them
from amvel.quantities.quantity import LEVEL, REGISTRY, Quantity, base_id, quantity

__all__ = ["LEVEL", "REGISTRY", "Quantity", "base_id", "combined", "how_it_is_done", "posture_and_load", "quantity"]
