"""However much is asked at once, nobody waits in a thread, and who asks for too much is told when to come again."""

import pytest
from django.utils import timezone

from accounts.models import Organisation, User
from jobs.asking import AT_ONCE_FOR_A_HOUSE, AT_ONCE_FOR_ONE, Busy, NotYet, Question, worked_out
from jobs.models import LongAnswer, Work
from tests.server.conftest import Api, user_of

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def nobody_works(settings) -> None:
    """Workers are told, and there are none: every question waits."""
    settings.WORKERS = True


def ask(user: User, digest: str) -> None:
    with pytest.raises(NotYet):
        worked_out(question(user.organisation, digest), user)


def question(house: Organisation, digest: str) -> Question:
    return Question(Work.VERDICTS, house, digest, timezone.localdate(), "no case")


def test_one_person_waits_for_so_many_answers_and_not_for_one_more(user: User) -> None:
    for i in range(AT_ONCE_FOR_ONE):
        ask(user, str(i))
    with pytest.raises(Busy, match=r"whoever is logged in .* try again in 5 s"):
        worked_out(question(user.organisation, "one more"), user)
    ask(user, "0")  # what waits already may be asked for again
    ask(user_of("bea", house=user.organisation), "of somebody else")


def test_one_organisation_never_fills_the_queue_of_the_others(user: User) -> None:
    house = user.organisation
    LongAnswer.objects.bulk_create(
        LongAnswer(organisation=house, work=Work.VERDICTS, digest=str(i), asked_by=user) for i in range(AT_ONCE_FOR_A_HOUSE)
    )
    with pytest.raises(Busy, match="the organisation"):
        worked_out(question(house, "one more"), user_of("bea", house=house))
    ask(user_of("cas"), "of another house")


def test_overload_is_told_as_a_problem_with_when_to_come_again(api: Api, user: User, client_id: str) -> None:
    for i in range(AT_ONCE_FOR_ONE):
        ask(user, str(i))
    answer = api.get(f"/clients/{client_id}/verdicts")
    assert answer.status_code == 503
    assert answer.headers["Retry-After"] == "5"
    assert answer.json()["title"] == "Too much at once"
    assert api.get("/session").status_code == api.get("/day").status_code == 200


def test_what_is_made_ready_before_anybody_asks_counts_for_nobody(user: User) -> None:
    for i in range(AT_ONCE_FOR_ONE + 1):
        with pytest.raises(NotYet):
            worked_out(question(user.organisation, str(i)))
    ask(user, "mine")
