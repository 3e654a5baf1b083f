"""Joint torques of posed chains under gravity against the independent engine `mujoco`."""

import mujoco
import numpy as np
import pytest

from amvel.body import JOINT_INDEX, JOINTS, PoseSpec, Skeleton, flatten, joint_torques, react_flat, solve_flat
from tests.bodies import body

POSES = 12


def model_of(skeleton: Skeleton) -> mujoco.MjModel:
    """The same open chain, pelvis fixed to the world, one hinge per joint rotation in the same order."""
    children: dict[str | None, list[str]] = {}
    for s in skeleton.body.segments:
        children.setdefault(s.parent, []).append(s.name)
    by_name = {s.name: s for s in skeleton.body.segments}

    def write(name: str) -> str:
        s = by_name[name]
        joints = "".join(
            f'<joint name="{j}" type="hinge" axis="{a[0]} {a[1]} {a[2]}" pos="0 0 0"/>'
            for j, moved, a in JOINTS
            if moved == name
        )
        mass = max(s.mass_kg, 1e-9)
        inertial = (
            f'<inertial pos="{s.com[0]} {s.com[1]} {s.com[2]}" mass="{mass}" diaginertia="1e-4 1e-4 1e-4"/>'
        )
        x, y, z = s.joint
        return f'<body name="{name}" pos="{x} {y} {z}">{joints}{inertial}{"".join(write(c) for c in children.get(name, []))}</body>'

    return mujoco.MjModel.from_xml_string(
        f'<mujoco><compiler angle="radian" inertiafromgeom="false"/><option gravity="0 0 -9.81"/><worldbody>{write("pelvis")}</worldbody></mujoco>'
    )


@pytest.mark.parametrize("seed", range(POSES))
def test_gravity_torques_of_a_posed_chain_agree_with_mujoco(seed: int) -> None:
    skeleton = Skeleton(body("tall"))
    angles = np.random.default_rng(seed).uniform(-0.9, 0.9, (1, len(JOINTS)))
    model = model_of(skeleton)
    data = mujoco.MjData(model)
    for name in JOINT_INDEX:
        data.qpos[model.joint(name).qposadr[0]] = angles[0, JOINT_INDEX[name]]
    mujoco.mj_forward(model, data)
    spec = PoseSpec("chain", np.eye(3), (0, 0, 0), {name: float(angles[0, j]) for name, j in JOINT_INDEX.items()})
    flat = flatten(skeleton, [spec], [{}])
    posed = solve_flat(skeleton, flat, ["chain"])
    found = joint_torques(skeleton, flat, posed, react_flat(skeleton, flat, posed))[0]
    for name, j in JOINT_INDEX.items():
        theirs = float(data.qfrc_bias[model.joint(name).dofadr[0]])
        assert found[j] == pytest.approx(-theirs, abs=0.02 + 0.002 * abs(theirs)), name
