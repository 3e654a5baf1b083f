"""One posed frame of every family, with its supports and loads, against the independent engine `mujoco`.

The same chain is put into the same pose; weight, reactions and outside loads act where ours do; the torque that each
joint must give is compared.
"""

import mujoco
import numpy as np
import pytest

from amvel.body import JOINT_INDEX, react
from amvel.body.loads import _Cuts
from amvel.movements import Profile, library
from tests.bodies import library_profiles, profiler
from tests.published.test_joint_torques import model_of


@pytest.fixture(scope="module")
def model() -> mujoco.MjModel:
    return model_of(profiler("middle").skeleton)


def representative(family_id: str) -> Profile:
    """The hardest step that this body can take."""
    mine = [p for p in library_profiles("middle") if p.request.family.id == family_id and not p.fault]
    return mine[-1]


@pytest.mark.parametrize("family_id", list(library()))
def test_joint_torques_of_a_supported_pose_agree(family_id: str, model: mujoco.MjModel) -> None:
    skeleton = profiler("middle").skeleton
    profile = representative(family_id)
    row = profile.rows[-1]
    assert profile.posed is not None
    specs = [profile.specs[row]]
    posed = profile.posed
    one = type(posed)(
        posed.angles[row : row + 1],
        posed.root_position[row : row + 1],
        posed.root_rotation[row : row + 1],
        skeleton.place(
            posed.root_position[row : row + 1], posed.root_rotation[row : row + 1], posed.angles[row : row + 1]
        ),
        posed.points[row : row + 1],
        posed.worst_gap_m[row : row + 1],
        [""],
    )
    reactions = react(skeleton, specs, one)
    cuts = _Cuts(skeleton, specs, one, reactions)
    needed = torques_by_mujoco(model, skeleton, one, reactions, specs[0])
    scale = max(1.0, max(abs(v) for v in needed.values()))
    for name, j in JOINT_INDEX.items():
        _, moment = cuts.beyond(name)
        ours = float(moment[0] @ one.placement.axis[0, j])
        assert ours == pytest.approx(-needed[name], abs=0.02 + 0.002 * scale), (profile.request.label, name)


def torques_by_mujoco(model, skeleton, posed, reactions, spec) -> dict[str, float]:
    """Torque that every hinge must give so that nothing moves, the pelvis held in its place."""
    data = mujoco.MjData(model)
    pelvis = model.body("pelvis").id
    model.body_pos[pelvis] = posed.root_position[0]
    quat = np.zeros(4)
    mujoco.mju_mat2Quat(quat, posed.root_rotation[0].flatten())
    model.body_quat[pelvis] = quat
    for name, j in JOINT_INDEX.items():
        data.qpos[model.joint(name).qposadr[0]] = posed.angles[0, j]
    mujoco.mj_forward(model, data)
    applied = np.zeros(model.nv)
    pushes = list(zip(reactions.where[0], reactions.force[0], reactions.segment[0], strict=True))
    index = skeleton.landmarks.index
    for load in spec.loads:
        at = index[load.point]
        force = load.force_at(posed.points[0], index)
        pushes.append((posed.points[0, at], force, skeleton.landmarks.segment[at]))
    for where, force, segment in pushes:
        body = model.body(skeleton.names[int(segment)]).id
        mujoco.mj_applyFT(model, data, np.array(force), np.zeros(3), np.array(where), body, applied)
    return {
        name: float(data.qfrc_bias[model.joint(name).dofadr[0]] - applied[model.joint(name).dofadr[0]])
        for name in JOINT_INDEX
    }
