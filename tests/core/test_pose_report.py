"""The public door: frames as plain data in, forces and moments out; bad input named fault by fault."""

import json
from pathlib import Path

import pytest

from amvel import cli
from amvel.body import GRAVITY_M_S2, healthy
from amvel.movements.pose_report import PoseFileError, read_poses, report
from tests.bodies import body

LYING = {
    "body": {"stature_cm": 165, "mass_kg": 62, "sex": "female"},
    "frames": [
        {
            "name": "lying",
            "facing": "up",
            "root_at_cm": [0, 0, 12],
            "surfaces": {"floor": {"kind": "level", "at_cm": 0}},
            "touches": [
                {"landmark": "occiput", "surface": "floor", "strategy": "rests"},
                {"landmark": "upper_back", "surface": "floor"},
                {"landmark": "sacrum", "surface": "floor"},
                {"landmark": "left.heel_back", "surface": "floor", "strategy": "rests"},
                {"landmark": "right.heel_back", "surface": "floor", "strategy": "rests"},
            ],
            "free": {"neck.flexion": 0.3, "head.nod": 0.3, "left.hip.flexion": 0.1, "right.hip.flexion": 0.1},
        }
    ],
}


def changed(**frame: object) -> dict:
    return {**LYING, "frames": [{**LYING["frames"][0], **frame}]}


def test_the_forces_of_a_lying_body_add_up_to_its_weight() -> None:
    own, ranges, frames = read_poses(LYING)
    (found,) = report(own, frames, ranges)
    assert found.fault == ""
    assert sum(c.force_n[2] for c in found.contacts) == pytest.approx(62 * GRAVITY_M_S2, abs=0.1)
    assert found.gap_mm < 5 and found.unbalanced_n < 0.1
    assert all(abs(v) < 0.05 for v in found.moments_nm["l4_l5"].values())  # the search stops within hundredths of a millimetre
    assert 0 < found.compression_n["l4_l5"] < 0.2 * 62 * GRAVITY_M_S2  # only what muscles keep anyway


def test_a_weight_in_the_hand_is_carried_too() -> None:
    loaded = changed(loads=[{"landmark": "left.palm", "force_n": [0, 0, -20]}])
    own, ranges, frames = read_poses(loaded)
    (found,) = report(own, frames, ranges)
    assert sum(c.force_n[2] for c in found.contacts) == pytest.approx(62 * GRAVITY_M_S2 + 20, abs=0.1)


def test_a_lifted_leg_asks_what_its_weight_times_its_lever_asks() -> None:
    """Both heels off, legs long and level: the weight of each leg times the distance of its middle from the hip, by hand."""
    frame = LYING["frames"][0]
    touches = [t for t in frame["touches"] if "heel" not in t["landmark"]]
    up = changed(touches=touches, free={"neck.flexion": 0.3, "head.nod": 0.3}, angles_deg={"left.hip.flexion": 30, "right.hip.flexion": 30})
    own, ranges, frames = read_poses(up)
    (found,) = report(own, frames, ranges)
    along = 0.0
    moment = 0.0
    for name in ("thigh", "shank", "foot"):
        segment = next(s for s in own.segments if s.name == f"left.{name}")
        moment += segment.mass_kg * (along - segment.com[2])
        along += own.lengths_m.get(name, 0.0)
    by_hand = 2 * moment * GRAVITY_M_S2 * 0.866  # cos 30°
    assert found.pelvic_nm["tilting"] == pytest.approx(by_hand, rel=0.08)
    assert found.moments_nm["l4_l5"]["arching"] == pytest.approx(found.pelvic_nm["tilting"], rel=0.01)


@pytest.mark.parametrize(
    ("data", "says"),
    [
        ({**LYING, "body": {**LYING["body"], "sex": "other"}}, "body.sex"),
        ({**LYING, "frames": []}, "frames"),
        (changed(angles_deg={"left.hip.fexion": 3}), "frames.0.angles_deg.left.hip.fexion: no such joint"),
        (changed(touches=[{"landmark": "tail", "surface": "floor"}]), "no landmark 'tail'"),
        (changed(touches=[{"landmark": "sacrum", "surface": "ceiling"}]), "no surface 'ceiling'"),
        (changed(posture="lazy"), "frames.0.posture"),
        ({**LYING, "body": {**LYING["body"], "ranges_deg": {"left.hip_spin": 3}}}, "no such range"),
    ],
)
def test_a_bad_file_is_named_fault_by_fault(data: dict, says: str, tmp_path: Path, capsys: pytest.CaptureFixture) -> None:
    with pytest.raises(PoseFileError, match=says.replace(".", r"\.")):
        read_poses(data)
    path = tmp_path / "pose.json"
    path.write_text(json.dumps(data))
    assert cli.main(["pose", str(path)]) == 2
    assert says in capsys.readouterr().err


def test_the_command_gives_one_answer_a_frame(tmp_path: Path, capsys: pytest.CaptureFixture) -> None:
    path = tmp_path / "pose.json"
    path.write_text(json.dumps({**LYING, "frames": LYING["frames"] * 2}))
    assert cli.main(["pose", str(path)]) == 0
    found = json.loads(capsys.readouterr().out)
    assert [f["name"] for f in found] == ["lying", "lying"]
    assert set(found[0]) >= {"angles_deg", "contacts", "moments_nm", "compression_n", "torques_nm", "gap_mm"}
    assert cli.main(["pose", str(tmp_path / "nowhere.json")]) == 2


def test_ranges_stop_the_joints_of_a_posed_body() -> None:
    stiff = {**LYING, "body": {**LYING["body"], "ranges_deg": {"left.knee_flexion": 60}}}
    own, ranges, frames = read_poses({**stiff, "frames": [{**LYING["frames"][0], "angles_deg": {"left.knee.flexion": 90}}]})
    (found,) = report(own, frames, ranges)
    assert found.angles_deg["left.knee.flexion"] == pytest.approx(60)
    assert report(body(), frames, healthy())[0].angles_deg["left.knee.flexion"] == pytest.approx(90)
