"""What is read from several of them at once, and levels of trunk work."""

from amvel.quantities.quantity import LEVEL, add

add("front_thigh_line_deg", "front of the thigh", "deg", "Hip reach back + knee bend.", sided=True, limb_angle=True)
for _region, _words in (("thoracic", "upper spine"), ("lumbar", "low back")):
    add(
        f"loaded_{_region}_side_bend_deg",
        f"{_words} side bend under load",
        "deg",
        f"Bend of the {_words} to this side while the spine is loaded.",
        sided=True,
    )
    add(
        f"loaded_{_region}_rotation_deg",
        f"{_words} turn under load",
        "deg",
        f"Turn of the {_words} to this side while the spine is loaded.",
        sided=True,
    )
add(
    "weighted_trunk_deg",
    "bending or turning with a weight",
    "deg",
    "The largest of rounding, side bend and turn of the trunk while a hand holds a weight or a band.",
)
add(
    "loaded_trunk_rotation_deg",
    "turning under load",
    "deg",
    "Turn of the trunk to this side while the spine is loaded.",
    sided=True,
)
add(
    "loaded_trunk_side_bend_deg",
    "side bend under load",
    "deg",
    "Bend of the trunk to this side while the spine is loaded.",
    sided=True,
)
add(
    "loaded_trunk_extension_deg",
    "arching under load",
    "deg",
    "Backward bend of the trunk while the spine is loaded.",
)
for _id, _words, _sentence in (
    ("arching", "work of the belly", "Level at which the belly holds against what arches the trunk."),
    ("bending", "work of the back", "Level at which the back holds against what bends the trunk forward."),
    ("side", "work of the sides", "Level at which one side holds against what bends the trunk to the other."),
    ("turning", "work against turning", "Level at which the trunk holds against what turns it."),
    ("press", "press on the spine", "Level of what presses the spine together."),
):
    add(f"{_id}_level", _words, LEVEL, f"{_sentence} 1 to 6, each what its reference poses ask of this body.")
for _id, _words, _full in (
    ("arching", "hold against arching", "a plank on the feet"),
    ("bending", "hold of the back", "the heaviest lift of the back"),
    ("side", "hold of the sides", "a side bridge on the feet"),
):
    add(
        f"{_id}_hold_s",
        _words,
        "s",
        f"How long the position is held, reckoned in seconds of {_full} by the endurance curve of the trunk.",
        decimals=1,
    )
add(
    "press_against_standing",
    "press on the spine against quiet standing",
    "× quiet standing",
    "Compression of the spine at the level where it is most, as a multiple of what quiet standing makes there.",
    decimals=2,
)
