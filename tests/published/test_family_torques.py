"""One posed frame of every family, with its supports and loads, against the independent engine `mujoco`.

The same chain is put into the same pose; weight, reactions and outside loads act where ours do; the torque that each
joint must give is compared.
"""

import mujoco
import numpy as np
import pytest

from amvel.body import JOINT_INDEX, flatten, joint_torques, react_flat
from amvel.movements import Profile
from tests.bodies import families_under_test, library_profiles, profiler
from tests.published.test_joint_torques import model_of


@pytest.fixture(scope="module")
def model() -> mujoco.MjModel:
    return model_of(profiler("middle").skeleton)


def representative(family_id: str) -> Profile:
    """The hardest step that this body can take."""
    mine = [p for p in library_profiles("middle") if p.request.family.id == family_id and not p.fault]
    return mine[-1]


@pytest.mark.parametrize("family_id", [f.id for f in families_under_test()])
def test_joint_torques_of_a_supported_pose_agree(family_id: str, model: mujoco.MjModel) -> None:
    skeleton = profiler("middle").skeleton
    profile = representative(family_id)
    row = profile.rows[-1]
    assert profile.posed is not None
    spec = profile.specs[row]
    flat = flatten(skeleton, [spec], [{}])
    one = profile.posed.part(slice(row, row + 1))
    reactions = react_flat(skeleton, flat, one)
    found = joint_torques(skeleton, flat, one, reactions)[0]
    needed = torques_by_mujoco(model, skeleton, one, reactions, spec)
    scale = max(1.0, max(abs(v) for v in needed.values()))
    for name, j in JOINT_INDEX.items():
        assert found[j] == pytest.approx(-needed[name], abs=0.02 + 0.002 * scale), (profile.request.label, name)


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
    index = skeleton.landmarks.index
    pushes = list(zip(reactions.at, reactions.force, reactions.moment, reactions.segment, strict=True))
    for contact, at, force in zip(spec.contacts, reactions.at, reactions.force, strict=True):
        if contact.on is not None:  # what rests on the body pushes it down as much as up
            pushes.append((at, -force, np.zeros(3), skeleton.landmarks.segment[index[contact.on]]))
    for load in spec.loads:
        at = index[load.point]
        force = load.force_at(posed.points[0], index)
        pushes.append((posed.points[0, at], force, np.zeros(3), skeleton.landmarks.segment[at]))
    for where, force, moment, segment in pushes:
        body = model.body(skeleton.names[int(segment)]).id
        mujoco.mj_applyFT(model, data, np.array(force), np.array(moment), np.array(where), body, applied)
    return {
        name: float(data.qfrc_bias[model.joint(name).dofadr[0]] - applied[model.joint(name).dofadr[0]])
        for name in JOINT_INDEX
    }
