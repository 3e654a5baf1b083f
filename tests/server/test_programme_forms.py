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


sessions = importlib.import_module("programmes.migrations.0005_sessions")


def test_a_programme_of_before_is_one_session_with_the_same_movements() -> None:
    ways = [{"to": "lying_down"}]
    answer = {"movements": [{"ref": "a/b", "minutes": 3}, {"ref": "c/d", "minutes": 4}], "minutes": 8.5, "changes_of_position": 1, "ways": ways, "why": {}}
    now = sessions.one_session(answer)
    assert [m["sessions"] for m in now["movements"]] == [["A"], ["A"]]
    assert now["sessions"] == [{"id": "A", "movements": ["a/b", "c/d"], "minutes": 8.5, "changes_of_position": 1, "ways": ways}]
    assert {k: v for k, v in now.items() if k not in ("movements", "sessions")} == {k: v for k, v in answer.items() if k != "movements"}


def test_an_empty_programme_of_before_has_no_session() -> None:
    assert sessions.one_session({"movements": [], "minutes": 0, "changes_of_position": 0})["sessions"] == []
