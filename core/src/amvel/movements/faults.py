"""Faults that several families share, written once."""

from amvel.movements.declaration import Fault

BREATH_HELD = Fault(
    "breath held",
    "the breath stops or turns shallow",
    "the effort is too high or comes too early",
    "breathe out first, then move; make it smaller if the breath stops again",
)
BACK_ARCHES = Fault(
    "low back arches",
    "the small of the back leaves its place",
    "the leg has become too heavy for the belly",
    "stop where the back still rests, and come back from there",
)
PELVIS_ROCKS = Fault(
    "pelvis rocks",
    "one front hip bone drops or turns",
    "the other leg or the back is helping",
    "keep both hip bones level under your hands; half the range",
)
BELLY_DOMES = Fault(
    "belly domes",
    "a ridge pushes up along the middle of the belly",
    "the deep layer has let go",
    "set the breath again; go back one step if the ridge returns",
)
RIBS_FLARE = Fault(
    "ribs flare",
    "the lower ribs lift away from the pelvis",
    "the back has started to arch",
    "let the ribs sink with the breath out",
)
THIGH_TAKES_OVER = Fault(
    "front of the hip takes over",
    "the front of the hip or thigh burns",
    "the hip flexor does the work of the belly",
    "let the leg be heavy, start from the breath out",
)
SHOULDER_CLIMBS = Fault(
    "shoulder climbs",
    "a shoulder comes up to the ear",
    "the neck is helping",
    "let the shoulder slide wide and down",
)
TRUNK_ROUNDS = Fault(
    "trunk rounds",
    "the chest sinks and the low back bends",
    "the hips have reached their end",
    "bend only in the hips, breastbone forward; stop where the back stays long",
)
PELVIS_DROPS = Fault(
    "pelvis drops",
    "the free side of the pelvis sinks or hitches",
    "the side of the standing hip gives way",
    "push the floor away with the standing foot; lift less",
)
KNEE_FALLS_IN = Fault(
    "knee falls in",
    "the knee points inside the foot",
    "the hip lets the thigh turn in",
    "knee in line with the second toe",
)
ROLLS_BACK = Fault(
    "pelvis rolls back",
    "the upper hip turns towards the back",
    "the range is more than the hip has",
    "stack the hips, open less",
)
EARLY_MOVE = Fault(
    "moves before the breath",
    "the limb starts before the breath out",
    "the belly is late",
    "stop, breathe out, wait a second, then move",
)
