"""Up, stay, down, pause, refer: the words of the trade (job: dose, form failure, progress), each around its threshold."""

from itertools import permutations
from typing import Any

import pytest

from amvel.case import CaseError
from amvel.engine import Engine
from amvel.progress import Proposal, ProposalKind, proposals
from amvel.progress.proposals import of_step
from amvel.progress.resting import resting
from tests.engines import engine_of
from tests.generated import base
from tests.visits import done, once, visit

FLOAT, NEXT = "toe_float/finger_high", "toe_float/half_as_high"
STROKE = {"kind": "stroke", "side": "left", "shoulder": "free", "noted_on": "2025-03-01"}


def engine(*visits: dict[str, Any], conditions: tuple[dict[str, Any], ...] = (), **more: Any) -> Engine:
    tolerates = {"floor": "yes", "lying_flat": "yes", "kneeling": "yes", "hands_and_knees": "yes", "standing": "yes"}
    return engine_of(base("1986-05-01", "female", list(conditions), [], visits=list(visits), tolerates=tolerates, **more))


def about(step: str, *visits: dict[str, Any], **more: Any) -> list[Proposal]:
    return of_step(proposals(engine(*visits, **more)), step)


def one(*visits: dict[str, Any], step: str = FLOAT, **more: Any) -> Proposal:
    found = about(step, *visits, **more)
    assert len(found) == 1, found
    return found[0]


CLEAN = done(FLOAT)


class TestUp:
    def test_two_clean_sessions_in_a_row_go_up_and_one_does_not(self) -> None:
        assert one(visit(20, CLEAN)).kind is ProposalKind.STAY
        assert one(visit(24, CLEAN), visit(20, CLEAN)).kind is ProposalKind.STEP_UP

    def test_it_names_the_next_step_and_the_sessions_that_say_so(self) -> None:
        found = one(visit(24, CLEAN), visit(20, CLEAN))
        assert found.to == NEXT
        assert [e.visit for e in found.evidence] == ["visit-0024", "visit-0020"]
        assert "8 of 8 clean" in found.evidence[0].says

    def test_a_session_below_the_target_begins_the_row_anew(self) -> None:
        assert one(visit(24, CLEAN), visit(20, done(FLOAT, left=7)), visit(16, CLEAN)).kind is ProposalKind.STAY

    @pytest.mark.parametrize(("effort", "kind"), [(3, ProposalKind.STEP_UP), (4, ProposalKind.STAY)])
    def test_effort_has_to_be_low(self, effort: int, kind: ProposalKind) -> None:
        assert one(visit(24, CLEAN, effort=effort), visit(20, CLEAN, effort=effort)).kind is kind

    def test_nobody_goes_up_while_the_day_after_is_unknown(self) -> None:
        found = one(visit(24, CLEAN), visit(20, CLEAN, flare=None))
        assert found.kind is ProposalKind.STAY
        assert "day after" in found.says

    def test_a_fault_that_a_cue_put_right_stays(self) -> None:
        cued = done(FLOAT, faults=("pelvis_rocks",))
        found = one(visit(24, cued), visit(20, cued))
        assert found.kind is ProposalKind.STAY
        assert "cue" in found.says

    def test_a_breath_that_was_held_stays(self) -> None:
        held = done(FLOAT, faults=("breath_held",))
        assert one(visit(24, CLEAN), visit(20, held)).kind is ProposalKind.STAY

    @pytest.mark.parametrize(("confidence", "kind"), [(7, ProposalKind.STEP_UP), (6, ProposalKind.STAY)])
    def test_confidence_counts_where_it_was_told(self, confidence: int, kind: ProposalKind) -> None:
        told = {**CLEAN, "confidence_0_to_10": confidence}
        assert one(visit(24, told), visit(20, told)).kind is kind

    def test_a_month_without_it_is_a_new_beginning(self) -> None:
        assert about(FLOAT, visit(40, CLEAN), visit(36, CLEAN)) == []


class TestSides:
    def test_when_only_one_side_is_ready_both_stay_and_the_weaker_gets_a_set_more(self) -> None:
        found = one(visit(24, done(FLOAT, right=6)), visit(20, done(FLOAT, right=6)))
        assert found.kind is ProposalKind.STAY
        assert found.more_sets_on == "right"

    def test_with_a_paresis_each_side_goes_its_own_way(self) -> None:
        weak = done(FLOAT, left=5)
        found = {p.side: p for p in about(FLOAT, visit(24, weak), visit(20, weak), conditions=(STROKE,))}
        assert found["left"].kind is ProposalKind.STAY
        assert found["left"].more_sets_on == ""
        assert found["right"].kind in (ProposalKind.STEP_UP, ProposalKind.STAY)
        assert found["right"].says != found["left"].says


class TestDown:
    def test_two_sessions_of_early_failure_go_down_and_one_does_not(self) -> None:
        early = done(NEXT, left=3, right=3)
        assert one(visit(20, early), step=NEXT).kind is ProposalKind.STAY
        found = one(visit(24, early), visit(20, early), step=NEXT)
        assert (found.kind, found.to) == (ProposalKind.STEP_DOWN, FLOAT)

    def test_half_of_the_target_is_not_early(self) -> None:
        half = done(NEXT, left=4, right=4)
        assert one(visit(24, half), visit(20, half), step=NEXT).kind is ProposalKind.STAY

    def test_a_flare_the_day_after_goes_down(self) -> None:
        found = one(visit(24, done(NEXT)), visit(20, done(NEXT), flare=True), step=NEXT)
        assert found.kind is ProposalKind.STEP_DOWN

    def test_a_flare_is_laid_to_what_was_new_in_its_week(self) -> None:
        old, new = done("knee_fold/single_fold"), done(FLOAT)
        sessions = (visit(24, old), visit(20, old), visit(16, old, new, flare=True))
        assert one(*sessions).kind is ProposalKind.STEP_DOWN
        assert one(*sessions, step="knee_fold/single_fold").kind is ProposalKind.STAY


class TestStop:
    @pytest.mark.parametrize(("rise", "kind"), [(1, ProposalKind.STAY), (2, ProposalKind.PAUSE)])
    def test_pain_that_rises_by_two_pauses_the_movement(self, rise: int, kind: ProposalKind) -> None:
        hurt = {**CLEAN, "symptoms": [{"what": "pain", "where": "low_back", "rise_0_to_10": rise}]}
        assert one(visit(20, hurt)).kind is kind

    @pytest.mark.parametrize("what", ["tingling", "pain_down_the_leg", "pelvic_pressure", "dizziness", "breathlessness"])
    def test_what_spreads_or_presses_pauses_at_once(self, what: str) -> None:
        felt = {**CLEAN, "symptoms": [{"what": what, "where": "thigh", "rise_0_to_10": 0}]}
        assert one(visit(20, felt)).kind is ProposalKind.PAUSE

    def test_the_same_symptom_twice_in_two_weeks_is_asked_about(self) -> None:
        felt = {**CLEAN, "symptoms": [{"what": "tingling", "where": "foot", "rise_0_to_10": 1}]}
        found = [p.kind for p in proposals(engine(visit(9, felt), visit(5, felt)))]
        assert found[0] is ProposalKind.REFER
        assert ProposalKind.REFER not in [p.kind for p in proposals(engine(visit(15, felt), visit(5, felt)))]

    def test_two_flares_in_two_weeks_are_asked_about(self) -> None:
        kinds = [p.kind for p in proposals(engine(visit(9, CLEAN, flare=True), visit(5, CLEAN, flare=True)))]
        assert kinds[0] is ProposalKind.REFER


def test_one_new_movement_a_week_the_others_wait() -> None:
    fold = done("knee_fold/single_fold")
    found = [p for p in proposals(engine(visit(12, CLEAN, fold), visit(10, CLEAN, fold))) if p.kind is ProposalKind.STEP_UP]
    assert [p.waits for p in sorted(found, key=lambda p: p.waits)] == [False, True]


def test_nothing_new_in_the_week_after_something_new() -> None:
    both = visit(6, CLEAN, done("knee_fold/single_fold"))
    found = [p for p in proposals(engine(visit(12, CLEAN), visit(9, CLEAN), both)) if p.kind is ProposalKind.STEP_UP]
    assert all(p.waits for p in found)


def test_a_declined_proposal_stays_away_until_there_is_new_evidence() -> None:
    first = (visit(24, CLEAN), visit(20, CLEAN))
    up = one(*first)
    no = ({"proposal": up.id, "on": visit(19)["on"], "answer": "declined", "reason": "wants to stay with it"},)
    assert about(FLOAT, *first, decisions=no) == []
    assert one(*first, visit(10, CLEAN), decisions=no).kind is ProposalKind.STEP_UP


def test_a_refused_decision_says_that_a_reason_is_missing() -> None:
    with pytest.raises(CaseError) as refused:
        engine(decisions=({"proposal": "step_up:x", "on": visit(1)["on"], "answer": "declined"},))
    assert refused.value.faults == [("$.decisions[0].reason", "say why it was not taken as it was proposed")]


def test_a_temporary_limit_is_proposed_for_review_and_opens_nothing_by_itself() -> None:
    sciatica = {"kind": "flexion_sciatica", "side": "left", "since": "2026-08-01", "noted_on": "2026-08-01"}
    e = engine(conditions=(sciatica,))
    before = e.envelope.limits
    found = [p for p in proposals(e) if p.about == "flexion_sciatica"]
    assert [p.kind for p in found] == [ProposalKind.GRADED_RETURN]
    assert Engine(e.case).envelope.limits == before


def test_the_order_in_which_visits_arrive_changes_nothing() -> None:
    logged = (visit(24, CLEAN), visit(20, done(FLOAT, left=6), flare=True), visit(16, once("deep_abdominal_set/fingertips"), CLEAN), visit(12, CLEAN))
    said = {tuple((p.id, str(p.says)) for p in proposals(engine(*order))) for order in permutations(logged)}
    assert len(said) == 1


def test_every_proposal_names_its_evidence_and_what_would_change_it() -> None:
    found = proposals(engine(visit(24, CLEAN, done("knee_fold/single_fold", left=2)), visit(20, CLEAN, done("knee_fold/single_fold", left=2), flare=True)))
    assert found
    assert all(p.evidence and p.would_change and p.source for p in found)


class TestResting:
    """What hurt at home rests until somebody has looked."""

    HURT = {**CLEAN, "symptoms": [{"what": "pain", "where": "low_back", "rise_0_to_10": 2}]}
    OTHER = once("deep_abdominal_set/fingertips")

    def steps(self, *visits: dict[str, Any], **more: Any) -> list[str]:
        return resting(engine(*visits, **more).case)

    def test_what_hurt_rests_and_a_good_session_at_home_does_not_lift_it(self) -> None:
        assert self.steps(visit(6, self.HURT)) == [FLOAT]
        assert self.steps(visit(6, self.HURT), visit(4, self.OTHER), visit(2, CLEAN)) == [FLOAT]

    def test_a_session_that_somebody_saw_lifts_it(self) -> None:
        assert self.steps(visit(6, self.HURT), visit(4, CLEAN, by="specialist")) == []
        assert self.steps(visit(6, self.HURT), visit(4, self.OTHER, by="specialist")) == [FLOAT]

    def test_a_decision_on_it_lifts_it_and_one_on_another_movement_does_not(self) -> None:
        def decided(step: str) -> list[str]:
            decision = {"proposal": "pause:x", "step": step, "on": visit(5)["on"], "answer": "accepted"}
            return self.steps(visit(6, self.HURT), decisions=[decision])

        assert decided(FLOAT) == []
        assert decided(NEXT) == [FLOAT]

    def test_after_a_flare_what_was_new_rests_and_the_rest_goes_on(self) -> None:
        fold = done("knee_fold/single_fold")
        assert self.steps(visit(24, fold), visit(20, fold), visit(6, fold, CLEAN, flare=True)) == [FLOAT]
