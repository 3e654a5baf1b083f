"""What the referrer is asked, drawn: the limit that waits for a word, at a movement that it stands in the way of."""

from xml.etree import ElementTree

from amvel.answers.verdicts import verdict_data
from amvel.answers.why import MOST_ASKED, asked_about
from amvel.engine import Engine
from amvel.movements import find
from tests.conftest import demo
from tests.engines import engine_of
from tests.planned import engine


def asked(name: str) -> tuple[Engine, list]:
    e = engine(name)
    return e, list(asked_about(e, [verdict_data(v) for v in e.verdicts]))


def test_a_limit_that_waits_for_a_clinician_is_asked_about_with_its_picture() -> None:
    e, found = asked("after-birth")
    waiting = {x.says() for x in e.envelope.limits if x.waits_for}
    assert waiting
    assert 0 < len(found) <= MOST_ASKED
    for a in found:
        assert a["eased"]
        assert a["says"] in waiting
        assert a["here"]
        assert ElementTree.fromstring(a["svg"]).get("role") == "img"


def test_a_surgeon_s_word_is_shown_as_kept_and_not_asked_about() -> None:
    word = {"kind": "limits", "name": "N. Hollins", "role": "surgeon", "profession": "surgeon", "on": "2026-11-01", "quantity": "hip_bend_deg", "side": "left", "bound": 80}
    e = engine_of({**demo("fit-seventy"), "clinician_words": [word]})
    found = asked_about(e, [verdict_data(v) for v in e.verdicts])
    assert [a["eased"] for a in found] == [False]
    assert "80" in found[0]["says"]


def test_nobody_is_asked_where_no_limit_waits() -> None:
    e, found = asked("fit-seventy")
    assert not any(x.waits_for for x in e.envelope.limits)
    assert found == []


def test_what_was_not_judged_is_not_drawn() -> None:
    assert asked_about(engine("after-birth"), []) == []


def test_start_values_are_the_reader_s_own() -> None:
    """They are worked out once; who moves a slider moves nobody else's."""
    own = engine("fit-seventy")
    family, step = find("sit_to_stand/two_legs")
    own.values(family, step)["seat_cm"] = 1.0
    assert own.values(family, step)["seat_cm"] > 30 and own.values(family, step, "visit") is not own.values(family, step, "visit")
