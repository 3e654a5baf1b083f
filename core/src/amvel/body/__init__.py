"""The body model: anthropometry, kinematics, pose solving, statics, demand profile and figure."""

from amvel.body.anthropometry import Anthropometry, BodyError, Measures, measure
from amvel.body.between import bands_started, filled
from amvel.body.capacities import HEALTHY_DEG, TRUNK_SHARE, Capacities, cautious, healthy
from amvel.body.contorted import sunk, tipped
from amvel.body.copying import but
from amvel.body.demand import Asked, asked_of, computed, demand, demand_table
from amvel.body.demand_rows import demand_names
from amvel.body.flat import Flat, Stops, flatten
from amvel.body.frame_facts import DECLARED, FrameFacts
from amvel.body.loads import joint_torques
from amvel.body.pose import COM, BandPull, Contact, ExternalLoad, PoseError, PoseSpec, Row
from amvel.body.pose_fault import (
    Falls,
    OutOfReach,
    PelvisTips,
    PoseFault,
    ShortOfAsked,
    UnderTheFloor,
    WeightNotOverFeet,
    plain_fault,
)
from amvel.body.posing import Posed, solve, solve_flat
from amvel.body.pushes import GRAVITY_M_S2
from amvel.body.sides import other_side, side_of
from amvel.body.skeleton import JOINT_INDEX, JOINTS, MIRROR_SIGN, SEGMENT_OF, Skeleton
from amvel.body.statics import Reactions, react, react_flat

__all__ = [
    "COM",
    "DECLARED",
    "GRAVITY_M_S2",
    "HEALTHY_DEG",
    "JOINTS",
    "JOINT_INDEX",
    "MIRROR_SIGN",
    "SEGMENT_OF",
    "TRUNK_SHARE",
    "Anthropometry",
    "Asked",
    "BandPull",
    "BodyError",
    "Capacities",
    "Contact",
    "ExternalLoad",
    "Falls",
    "Flat",
    "FrameFacts",
    "Measures",
    "OutOfReach",
    "PelvisTips",
    "PoseError",
    "PoseFault",
    "PoseSpec",
    "Posed",
    "Reactions",
    "Row",
    "ShortOfAsked",
    "Skeleton",
    "Stops",
    "UnderTheFloor",
    "WeightNotOverFeet",
    "asked_of",
    "bands_started",
    "but",
    "cautious",
    "computed",
    "demand",
    "demand_names",
    "demand_table",
    "filled",
    "flatten",
    "healthy",
    "joint_torques",
    "measure",
    "other_side",
    "plain_fault",
    "react",
    "react_flat",
    "side_of",
    "solve",
    "solve_flat",
    "sunk",
    "tipped",
]
