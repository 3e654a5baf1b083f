"""German for everything that anybody is shown: nothing missing, nothing left over, the same named places."""

import json
import re

import pytest

from amvel.languages import LANGUAGES, catalogue, in_language, kept, said, said_together, told
from amvel.quantities import REGISTRY
from amvel.quantities.amount import with_unit
from tests.languages.messages import everything, put_together_where_said

_PLACE = re.compile(r"{+ ?\w+ ?}+")
OTHERS = [x for x in LANGUAGES if x != "en"]


@pytest.mark.parametrize("language", OTHERS)
def test_everything_that_is_shown_is_said_in_every_language(language: str) -> None:
    own = catalogue(language)
    assert [m for m in everything() if m not in own] == []


@pytest.mark.parametrize("language", OTHERS)
def test_a_catalogue_holds_nothing_that_nobody_says(language: str) -> None:
    assert set(catalogue(language)) - set(everything()) == set()


@pytest.mark.parametrize("language", OTHERS)
def test_every_named_place_is_in_the_translation_too(language: str) -> None:
    for english, other in catalogue(language).items():
        assert set(_PLACE.findall(english)) == set(_PLACE.findall(other)), english


def test_every_sentence_stands_whole_where_it_is_said() -> None:
    assert not list(put_together_where_said())


@pytest.mark.parametrize("unit", sorted({q.unit for q in REGISTRY.values()}))
def test_an_amount_has_its_unit_in_the_language_of_the_page(unit: str) -> None:
    assert in_language(with_unit("2", unit), "de") in (f"2 {catalogue('de').get(unit, unit)}", "2°", "2")


def test_no_sentence_was_left_in_english() -> None:
    """Words of the trade and units may be the same; a sentence is not."""
    same = {e for e, g in catalogue("de").items() if e == g and len(e.split()) > 2 and not e.isupper()}
    assert {e for e in same if not re.search(r"[{°/·]", e)} == set(), same


def test_two_movements_of_one_family_stay_two_in_german() -> None:
    from amvel.movements import library

    own = catalogue("de")
    for family in library().values():
        titles = [own[str(s.title)] for s in family.steps]
        assert len(set(titles)) == len(titles), (family.id, titles)
        told = [tuple(own[str(line)] for line in s.do) for s in family.steps]
        assert len(set(told)) == len(told), family.id


def test_no_german_line_speaks_to_the_client_as_to_a_child() -> None:
    """Sie, as one speaks to an adult whom one does not know (common practice, no source)."""
    for english, german in catalogue("de").items():
        assert not re.search(r"\b(du|dein\w*|dich|dir|euch)\b", german, re.I), english


class TestAMessage:
    def test_reads_in_english_as_it_stands(self) -> None:
        assert said("hold {seconds} s", seconds=5.0) == "hold 5 s"

    def test_says_its_values_in_the_other_language_with_its_decimal_sign(self) -> None:
        assert said("hold {seconds} s", seconds=2.5).in_language("de") == "2,5 s halten"
        assert said("one round more on the {side}", side=said("left")).in_language("de") == "links eine Runde mehr"

    def test_several_in_a_row_are_said_one_by_one(self) -> None:
        row = said_together((said("{n} times", n=8), said("hold {seconds} s", seconds=5.0)), ", ")
        assert row == "8 times, hold 5 s"
        assert row.in_language("de") == "8-mal, 5 s halten"

    def test_what_a_catalogue_lacks_stays_english_and_what_a_person_wrote_is_never_touched(self) -> None:
        assert said("nobody says this").in_language("de") == "nobody says this"
        assert in_language({"goal": "rest", "title": said("rest")}, "de") == {"goal": "rest", "title": "Ruhe"}

    def test_a_place_without_a_value_and_an_unknown_language_are_refused(self) -> None:
        with pytest.raises(KeyError):
            said("hold {seconds} s", second=5)
        with pytest.raises(ValueError, match="language"):
            said("rest").in_language("xx")

    def test_is_kept_as_its_parts_and_comes_back_as_a_message(self) -> None:
        answer = {"why": said_together((said("{n} times", n=8), said("hold {seconds} s", seconds=2.5)), ", "), "goal": "rest", "n": [1, 2.5]}
        back = told(json.loads(json.dumps(kept(answer))))
        assert back == answer
        assert back["why"].in_language("de") == "8-mal, 2,5 s halten"
        assert in_language(back, "de")["goal"] == "rest"
