"""A programme that was stored with one set-up for both sides is read with one for each."""

import importlib

migration = importlib.import_module("programmes.migrations.0004_each_side_by_itself")


def test_a_round_more_becomes_the_rounds_of_that_side() -> None:
    old = {
        "sides": ["left", "right"],
        "values": {"open_deg": 15},
        "repetitions": 10,
        "sets": 2,
        "hold_s": 0.0,
        "verdict": "modified",
        "extra_side": "left",
    }
    left, right = migration.set_ups(old)
    assert (left["side"], left["sets"]) == ("left", 3)
    assert (right["side"], right["sets"]) == ("right", 2)
    assert left["values"] == right["values"] == {"open_deg": 15}


def test_a_movement_of_one_side_stays_one() -> None:
    old = {"sides": ["both"], "values": {}, "repetitions": 8, "sets": 1, "hold_s": 5.0, "verdict": "as_is"}
    assert migration.set_ups(old) == [
        {"side": "both", "values": {}, "repetitions": 8, "hold_s": 5.0, "verdict": "as_is", "sets": 1}
    ]
