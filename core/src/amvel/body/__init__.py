"""The body model: anthropometry, kinematics, pose solving, statics, demand profile and figure."""

from amvel.body.anthropometry import Anthropometry, BodyError, Measures, measure
from amvel.body.capacities import HEALTHY_DEG, Capacities, cautious, healthy
from amvel.body.clearance import clear_of_floor
from amvel.body.contorted import sunk, tipped
from amvel.body.demand import DECLARED, FrameFacts, demand
from amvel.body.pose import COM, BandPull, Contact, ExternalLoad, PoseError, PoseSpec, Row
from amvel.body.posing import Posed, Stops, put_together, solve
from amvel.body.skeleton import JOINT_INDEX, JOINTS, Skeleton
from amvel.body.statics import GRAVITY_M_S2, Reactions, react

__all__ = [
    "COM",
    "DECLARED",
    "GRAVITY_M_S2",
    "HEALTHY_DEG",
    "JOINTS",
    "JOINT_INDEX",
    "Anthropometry",
    "BandPull",
    "BodyError",
    "Capacities",
    "Contact",
    "ExternalLoad",
    "FrameFacts",
    "Measures",
    "PoseError",
    "PoseSpec",
    "Posed",
    "Reactions",
    "Row",
    "Skeleton",
    "Stops",
    "cautious",
    "clear_of_floor",
    "demand",
    "healthy",
    "measure",
    "put_together",
    "react",
    "solve",
    "sunk",
    "tipped",
]
