"""Faults that several families share, written once."""

from dataclasses import replace

from amvel.movements.declaration import Fault, Step
from amvel.movements.wrong import Wrong

BREATH_HELD = Fault(
    "breath_held",
    "breath held",
    "the breath stops or turns shallow",
    "the effort is too high or comes too early",
    "breathe out first, then move; make it smaller if the breath stops again",
    breath=True,
)
BACK_ARCHES = Fault(
    "low_back_arches",
    "low back arches",
    "the small of the back leaves its place",
    "the leg has become too heavy for the belly",
    "stop where the back still rests, and come back from there",
    Wrong({"lumbar.flexion": -18, "lower_thoracic.flexion": -6}),
)
# The same fault where the back rests on nothing: it is told in other words and logged under the same id.
BACK_HOLLOWS = replace(
    BACK_ARCHES,
    seen="the small of the back goes hollow",
    means="the belly has let go",
    cue="smaller; stop where the back keeps its length, and come back from there",
)
PELVIS_ROCKS = Fault(
    "pelvis_rocks",
    "pelvis rocks",
    "one front hip bone drops or turns",
    "the other leg or the back is helping",
    "keep both hip bones level under your hands; half the range",
    Wrong({"lumbar.rotation": 14, "lumbar.side_bend": 6}),
)
# The same where the hands are needed elsewhere.
PELVIS_TIPS = replace(
    PELVIS_ROCKS, seen="one side of the pelvis drops or turns", cue="both sides level, as if a full cup stood on them; half the range"
)
BELLY_DOMES = Fault(
    "belly_domes",
    "belly domes",
    "a ridge pushes up along the middle of the belly",
    "the deep layer has let go",
    "set the breath again; go back one step if the ridge returns",
    Wrong(domes=True),
)
RIBS_FLARE = Fault(
    "ribs_flare",
    "ribs flare",
    "the lower ribs lift away from the pelvis",
    "the back has started to arch",
    "let the ribs sink with the breath out",
    Wrong({"lower_thoracic.flexion": -14, "lumbar.flexion": -8}),
)
THIGH_TAKES_OVER = Fault(
    "front_of_the_hip_takes_over",
    "front of the hip takes over",
    "the front of the hip or thigh burns",
    "the hip flexor does the work of the belly",
    "let the leg be heavy, start from the breath out",
)
SHOULDER_CLIMBS = Fault(
    "shoulder_climbs",
    "shoulder climbs",
    "a shoulder comes up to the ear",
    "the neck is helping",
    "let the shoulder slide wide and down",
    Wrong({"left.scapula.elevation": 18}),
)
TRUNK_ROUNDS = Fault(
    "trunk_rounds",
    "trunk rounds",
    "the chest sinks and the low back bends",
    "the hips have reached their end",
    "bend only in the hips, breastbone forward; stop where the back stays long",
    Wrong(
        {"lumbar.flexion": 20, "lower_thoracic.flexion": 12, "upper_thoracic.flexion": 10, "neck.flexion": 8}
    ),
)
# The same where nothing is bent in the hips: the back has been upright for too long.
TRUNK_SINKS = replace(TRUNK_ROUNDS, means="the back is tired of being upright", cue="grow to the crown again; rest before it sinks")
PELVIS_DROPS = Fault(
    "pelvis_drops",
    "pelvis drops",
    "one side of the pelvis sinks or hitches",
    "the side of the hip that carries gives way",
    "push the floor away with the foot that carries; less of it next time",
    Wrong({"lumbar.side_bend": -12, "right.hip.abduction": -10, "left.hip.abduction": 6}),
)
KNEE_FALLS_IN = Fault(
    "knee_falls_in",
    "knee falls in",
    "the knee points inside the foot",
    "the hip lets the thigh turn in",
    "knee in line with the second toe",
    Wrong({"left.hip.abduction": -14, "left.hip.rotation": 14}),
)
ROLLS_BACK = Fault(
    "pelvis_rolls_back",
    "pelvis rolls back",
    "the upper hip turns towards the back",
    "the range is more than the hip has",
    "stack the hips, open less",
    Wrong(turn_deg=18),
)
EARLY_MOVE = Fault(
    "moves_before_the_breath",
    "moves before the breath",
    "the limb starts before the breath out",
    "the belly is late",
    "stop, breathe out, wait a second, then move",
    breath=True,
)
HEAD_LIFTS = Fault(
    "head_comes_up",
    "head comes up",
    "the head leaves its pad to meet the knees",
    "the arms pull the trunk after them",
    "leave the head heavy; bring the knee to the hands, not the hands to the knee",
    Wrong({"neck.flexion": 22, "upper_thoracic.flexion": 14}, ("occiput", "upper_back")),
)
LEG_ROLLS = Fault(
    "leg_rolls",
    "leg rolls",
    "the whole leg turns out or in",
    "the hip does what the foot should do",
    "kneecap to the ceiling; only the foot moves",
    Wrong({"left.hip.rotation": -24}),
)
LEANS_BACK = Fault(
    "leans_back",
    "leans back",
    "the trunk goes back as the leg goes long",
    "the back of the thigh has reached its end",
    "shorter with the leg; the breastbone stays over the seat",
    Wrong({"left.hip.flexion": -14, "right.hip.flexion": -14}),
)
SHAKES = Fault(
    "shakes",
    "shakes",
    "the working part trembles",
    "the muscle is at its end",
    "end the set; less next time",
)
TOO_FAST = Fault(
    "too_fast",
    "too fast",
    "the way back is dropped instead of let down",
    "control ends before the movement does",
    "come back as slowly as the breath out lasts",
)
# What ends a set whatever the step.
OF_EVERY_STEP = tuple(f.worded() for f in (BREATH_HELD, EARLY_MOVE, SHAKES, TOO_FAST))


def faults_to_watch(step: Step) -> tuple[Fault, ...]:
    """The faults of this step, and after them those that every step can show."""
    own = {f.id for f in step.faults}
    return (*step.faults, *(f for f in OF_EVERY_STEP if f.id not in own))
