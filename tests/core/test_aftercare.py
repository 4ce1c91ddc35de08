"""What a client takes home: filled in, without what must not go out, and no stretch of what is spared."""

import pytest

from mellow_tide.core.aftercare.aftercare import (
    Aftercare,
    check_text,
    list_stretches,
    read_stretches,
    usual_text,
    write_aftercare,
)
from mellow_tide.core.flow.brief import ClientFacts, Excluded
from tests.settings import CATALOGUE, setting

WORKED = ("back", "neck", "foot")
FILLED = Aftercare(client="Ottilie", practice="The Loft", regions=WORKED, stretch="neck")


def offered(**facts):
    within = setting(ClientFacts(**facts))
    return list_stretches(WORKED, within.client, within.restrictions)


def test_every_stretch_is_of_a_region():
    assert set(read_stretches()) <= set(CATALOGUE.regions)


def test_the_usual_text_says_who_what_and_what_to_do_when_it_hurts():
    text = write_aftercare(usual_text(), FILLED, CATALOGUE)
    assert text.startswith(
        "Dear Ottilie,\n\nThank you for coming to The Loft. We worked on your back, neck and feet."
    )
    assert read_stretches()["neck"] in text
    assert "leave it out if it hurts" in text
    assert "ask a doctor" in text
    assert "{" not in text


def test_what_there_is_nothing_of_leaves_no_gap():
    text = write_aftercare(usual_text(), FILLED.model_copy(update={"stretch": None}), CATALOGUE)
    assert "\n\n\n" not in text
    assert "once a day" not in text
    assert not list(check_text(usual_text()))


def test_what_a_client_is_called_is_never_read_as_a_placeholder():
    odd = FILLED.model_copy(update={"client": "{practice} {x}"})
    assert write_aftercare("{client}!", odd, CATALOGUE) == "{practice} {x}!"


def test_a_text_with_a_placeholder_that_means_nothing_says_which():
    (problem,) = check_text("Dear {client}, {notes} {notes}")
    assert (problem.field, problem.data["name"]) == ("text", "notes")
    assert "{stretch}" in problem.data["known"]


def test_the_longest_worked_comes_first():
    assert offered() == WORKED


@pytest.mark.parametrize(
    ("facts", "gone"),
    [
        ({"gestation_days": 180}, set(WORKED)),
        ({"excluded": (Excluded(region="neck", side="mid"),)}, {"neck"}),
        ({"conditions": frozenset({"fever"})}, set(WORKED)),
    ],
)
def test_what_is_spared_is_not_stretched(facts, gone):
    assert set(WORKED) - set(offered(**facts)) >= gone
