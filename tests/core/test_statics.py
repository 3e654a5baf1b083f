"""Supports: balance, friction, resting limbs, and independence of the sampling."""

from dataclasses import replace

import numpy as np
import pytest

from amvel.body import (
    GRAVITY_M_S2,
    Capacities,
    Contact,
    PoseSpec,
    Reactions,
    Row,
    Skeleton,
    cautious,
    demand,
    flatten,
    healthy,
    react,
    react_flat,
    solve,
)
from amvel.body.loads import inner_loads
from amvel.movements import Profile, Profiler, Request, find
from tests.bodies import body, library_profiles, profiler


def leaning(friction: float, degrees: float = 20.0) -> tuple[Skeleton, PoseSpec]:
    """A stiff body leaning with the back of the hands' height on nothing: only the feet hold it."""
    skeleton = Skeleton(body())
    tilt = np.radians(degrees)
    root = np.array([[np.cos(tilt), 0, np.sin(tilt)], [0, 1, 0], [-np.sin(tilt), 0, np.cos(tilt)]])
    rows, contacts = [], []
    for s in ("left", "right"):
        rows.append(Row(f"{s} ball", f"{s}.ball", (0, 0, 1), 0.0))
        contacts += [
            Contact(f"{s}.heel", "floor", friction=friction),
            Contact(f"{s}.ball", "floor", friction=friction),
        ]
    return skeleton, PoseSpec("leaning", root, (0, 0, 0.8), rows=tuple(rows), contacts=tuple(contacts))


def test_a_body_that_leans_beyond_its_feet_does_not_stand() -> None:
    skeleton, spec = leaning(0.6)
    posed = solve(skeleton, [spec], {})
    assert not react(skeleton, [spec], posed).stands().any()


def test_standing_on_both_feet_shares_the_weight_evenly() -> None:
    from amvel.movements import Request, find

    p = profiler()
    family, step = find("heel_raise/hands_hover")
    first = p.profile(Request(family, step, "both", step.defaults(p.body)))
    left, right = (first.columns[f"{s}.foot_support_percent_bw"][0] for s in ("left", "right"))
    assert left == pytest.approx(right, abs=0.5)
    assert left + right == pytest.approx(100, abs=0.5)


def test_no_support_pulls_and_none_slips_beyond_its_friction() -> None:
    p = profiler()
    for profile in library_profiles():
        reactions = react(p.skeleton, list(profile.specs), profile.posed)
        for b, spec in enumerate(profile.specs):
            for contact, force in zip(spec.contacts, reactions.force[reactions.of(b)], strict=True):
                normal = float(force @ np.array(contact.normal))
                shear = float(np.linalg.norm(force - normal * np.array(contact.normal)))
                assert normal > -1e-6, (profile.request.label, contact.point)
                assert shear <= contact.friction * normal + 1e-3, (profile.request.label, contact.point)


REFS = (
    "knee_fold/single_fold",
    "arm_or_leg_slide/leg_lift",
    "wall_plank/forearms",
    "tall_hinge/hands_on_thighs",
    "tandem_stand/firm_hand",
)


@pytest.mark.parametrize("ref", REFS)
def test_a_finer_sampling_of_the_contacts_changes_no_quantity_by_more_than_one_percent(ref: str) -> None:
    p = profiler()
    profile = next(x for x in library_profiles() if x.request.label == ref)
    facts = [f.facts for f in profile.frames]
    flat = flatten(p.skeleton, list(profile.specs), [p.stops_rad] * len(facts))
    coarse, fine = (
        demand(p.skeleton, flat, profile.posed, react_flat(p.skeleton, flat, profile.posed, n), facts)
        for n in (3, 5)
    )
    for name, values in coarse.items():
        assert fine[name] == pytest.approx(values, rel=0.01, abs=0.3), name


def test_a_resting_foot_presses_no_more_than_its_own_limb() -> None:
    p = profiler()
    profile = next(x for x in library_profiles() if x.request.label == "knee_fold/single_fold")
    leg = sum(
        s.mass_kg
        for s in p.body.segments
        if s.name.startswith("right.") and s.name.split(".")[1] in ("thigh", "shank", "foot", "toes")
    )
    share = 100 * leg / p.body.mass_kg
    assert 0 < profile.peak("right.foot_support_percent_bw") < share


def test_moments_scale_with_mass_and_length() -> None:
    """The same shape at another size: moments go with mass times length."""
    from amvel.body import Measures, healthy, measure
    from amvel.movements import Profiler, Request, find

    family, step = find("knee_fold/both_lowered")
    found = []
    for stature in (1.50, 1.80):
        q = Profiler(measure(Measures(stature, 23.0 * stature**2, "female")), healthy())
        values = {**step.defaults(q.body), "lower_cm": 3.0 * stature / 1.5}
        profile = q.profile(Request(family, step, "both", values))
        found.append(profile.peak("pelvic_flexion_moment_nm") / (q.body.mass_kg * stature))
    assert found[0] == pytest.approx(found[1], rel=0.02)


def test_weight_in_newtons_is_what_the_floor_carries() -> None:
    p = profiler()
    profile = next(x for x in library_profiles() if x.request.label == "breathing_rest/knees_bent")
    reactions = react(p.skeleton, list(profile.specs), profile.posed)
    assert reactions.carried_n(0)[2] == pytest.approx(p.body.mass_kg * GRAVITY_M_S2, abs=0.1)


def resting(ref: str, capacities: Capacities | None = None, **values: float) -> tuple[Profile, Reactions]:
    p = Profiler(body(), capacities or healthy())
    family, step = find(ref)
    profile = p.profile(Request(family, step, "both", {**step.defaults(p.body), **values}))
    assert not profile.fault
    return profile, react(p.skeleton, list(profile.specs), profile.posed)


def test_a_back_that_leans_on_a_table_holds_nothing() -> None:
    """What leans is carried by what it leans on (hand statics): no moment at L4/5, and the supports balance."""
    profile, found = resting("table_lean_rest/forearms")
    assert found.back_rests.all() and found.stands().all()
    assert profile.peak("moment_l4_l5_nm") < 1.0


def test_arms_carry_what_balance_asks_where_a_back_cannot_rest() -> None:
    """On forearms and knees, hips that end at 90°: at rest the trunk would tip over the knees, so the back works."""
    stiff = cautious({**healthy().range_deg, "left.hip_flexion": 90.0, "right.hip_flexion": 90.0})
    profile, found = resting("sit_back_rest/on_the_floor", stiff, back_cm=8.0)
    assert found.stands().all()
    working = ~found.back_rests
    assert working.any()
    assert profile.columns["loaded"][working].all()


def test_the_same_compression_is_load_where_the_back_does_not_rest() -> None:
    """It counts from the lying reference on; the role of a contact alone does not excuse a back."""
    p = profiler()
    profile, found = resting("table_lean_rest/forearms")
    flat = flatten(p.skeleton, list(profile.specs), [p.stops_rad] * len(profile.specs))
    facts = [f.facts for f in profile.frames]
    rests, works = (
        demand(p.skeleton, flat, profile.posed, replace(found, back_rests=np.full(len(facts), b)), facts)["loaded"]
        for b in (True, False)
    )
    assert not rests.any() and works.any()


def test_joint_moments_hold_joints_only() -> None:
    p = profiler()
    family, step = find("sit_to_stand/two_legs")
    profile = p.profile(Request(family, step, "both", step.defaults(p.body)))
    flat = flatten(p.skeleton, list(profile.specs), [p.stops_rad] * len(profile.specs))
    loads = inner_loads(p.skeleton, flat, profile.posed, react_flat(p.skeleton, flat, profile.posed))
    assert {n.partition(".")[2] for n in loads.joint_moment} == {"hip", "knee", "shoulder", "hip_side", "hip_flexor"}
