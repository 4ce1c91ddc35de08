"""What is known of a client, what sets two states of it apart, two entries made one, and the question of the day."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.flow.brief import ClientFacts, Excluded, Place, Wish
from mellow_tide.core.meeting.changes import ItemChange, compare_records, net_changes
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer, hear_places
from mellow_tide.core.meeting.field_rules import read_field_rules
from mellow_tide.core.meeting.merging import merge_records
from mellow_tide.core.meeting.record import ClientRecord, nobody
from mellow_tide.core.meeting.sides import name_record_sides, name_sides
from tests.settings import CATALOGUE

C = CATALOGUE
DAY = date(2026, 5, 4)
ids = st.sampled_from(sorted(C.conditions))
consents = st.frozensets(st.sampled_from(sorted(C.consents)))
places = st.builds(
    Excluded,
    region=st.sampled_from(sorted(C.regions)),
    side=st.sampled_from(["left", "right", "both"]),
    because=st.sampled_from(["", "a plaster"]),
)
wishes = st.dictionaries(st.sampled_from(sorted(C.regions)), st.integers(2, 10), max_size=4).map(
    lambda of: tuple(Wish(region=region, depth=half / 2) for region, half in of.items())
)


@st.composite
def records(draw):
    yes, no = draw(consents), draw(consents)
    return ClientRecord(
        name=draw(st.sampled_from(["Jory", "Tamsin"])),
        phone=draw(st.sampled_from(["", "01632 555 001"])),
        note=draw(st.sampled_from(["", "Sings.", "Sleeps."])),
        height_cm=draw(st.sampled_from([170, 181])),
        conditions=draw(st.frozensets(ids, max_size=4)),
        due_date=draw(st.none() | st.dates(date(2026, 4, 20), date(2027, 1, 30))),
        consents=yes - no,
        declined=no,
        excluded=tuple({(p.region, p.side): p for p in draw(st.lists(places, max_size=3))}.values()),
        wishes=draw(wishes),
    )


def test_every_changed_item_is_named_once_with_what_was_and_is():
    before = ClientRecord(
        name="Jory",
        conditions={"fever", "eczema"},
        consents={"foot"},
        wishes=(Wish(region="back", depth=4),),
        excluded=(Excluded(region="foot", side="left", zone="toes", because="a plaster"),),
    )
    after = before.answered("foot", "no").model_copy(
        update={
            "conditions": frozenset({"eczema"}),
            "wishes": (Wish(region="back", depth=3),),
            "excluded": (),
        }
    )
    found = {f"{c.field} {c.item}": (c.before, c.after) for c in compare_records(before, after)}
    assert found == {
        "conditions fever": ("yes", None),
        "consents foot": ("yes", "no"),
        "excluded foot left toes": ("a plaster", None),
        "wishes back": (4.0, 3.0),
    }


@given(records(), records())
def test_changes_are_none_only_where_nothing_differs_and_read_backward_the_other_way(before, after):
    there, back = compare_records(before, after), compare_records(after, before)
    assert (there == ()) == (before == after)
    assert {(c.field, c.item, c.before, c.after) for c in there} == {
        (c.field, c.item, c.after, c.before) for c in back
    }


@given(records())
def test_all_that_is_known_is_told_from_nobody(record):
    told = {(c.field, c.item) for c in compare_records(nobody(record.name), record)}
    assert {id for field, id in told if field == "conditions"} == record.conditions
    assert {id for field, id in told if field == "consents"} == record.consents | record.declined


@given(records(), records())
def test_two_entries_made_one_restrict_as_much_as_either(kept, other):
    one = merge_records(kept, other)
    whole = restrict(one.facts(DAY), C)
    for part in (restrict(kept.facts(DAY), C), restrict(other.facts(DAY), C)):
        assert all(whole.cap(region) <= part.cap(region) for region in C.regions)
        for taken in ("positions", "heat", "ingredients", "unless_asked"):
            assert {x.id for x in getattr(part, taken)} <= {x.id for x in getattr(whole, taken)}
        assert {(x.region, x.side) for x in part.excluded} <= {(x.region, x.side) for x in whole.excluded}
    assert one.declined == kept.declined | other.declined
    assert not one.consents & one.declined
    assert one.name == kept.name
    assert all(words in one.note for words in (kept.note, other.note))
    assert merge_records(one, other) == one


def test_of_two_wishes_the_lighter_stands_and_of_two_numbers_ones_own():
    kept = ClientRecord(name="A", wishes=(Wish(region="back", depth=4),), phone="1", height_cm=181)
    other = ClientRecord(
        name="B",
        wishes=(Wish(region="back", depth=2), Wish(region="foot", depth=3)),
        phone="2",
        birth_year=1960,
    )
    one = merge_records(kept, other)
    assert {w.region: w.depth for w in one.wishes} == {"back": 2, "foot": 3}
    assert (one.phone, one.height_cm, one.birth_year) == ("1", 181, 1960)


def test_a_joined_note_keeps_to_the_bounds_of_the_record():
    long = ClientRecord(name="A", note="x" * 3999)
    assert len(merge_records(long, ClientRecord(name="B", note="y" * 3999)).note) == 4000


@pytest.mark.parametrize(
    ("note", "meant"),
    [
        ("Left big toe has a plaster", {("foot", "left", "toes")}),
        ("plaster between the toes on the right", {("foot", "right", "between_toes")}),
        ("sunburnt shoulders", {("shoulders", "both", None)}),
        (
            "a bruise on the right calf, and a cut on the left hand",
            {
                ("lower_leg_back", "right", None),
                ("hand", "left", None),
            },
        ),
        ("lower back sore", {("back", "mid", "lower_back")}),
        ("nothing new", set()),
        ("", set()),
        ("slept badly", set()),
    ],
)
def test_the_places_that_a_note_names_are_heard(note, meant):
    found = hear_places(note, C)
    assert {(p.region, p.side, p.zone) for p in found} == meant
    assert all(place.because == note for place in found)


@given(st.text(max_size=400))
def test_whatever_is_said_names_only_places_that_there_are(note):
    restrict(ClientFacts(excluded=hear_places(note, C)), C)


@given(records(), st.frozensets(ids, max_size=2), st.lists(places, max_size=2))
def test_what_is_so_today_only_ever_adds_restrictions(record, conditions, excluded):
    known = record.facts(DAY)
    today = add_day_answer(known, DayAnswer(conditions=conditions, excluded=tuple(excluded)))
    before, after = restrict(known, C), restrict(today, C)
    assert all(after.cap(region) <= before.cap(region) for region in C.regions)
    assert set(before.excluded) <= set(after.excluded)
    assert set(before.reasons) <= set(after.reasons)


def test_every_field_says_how_it_is_merged_and_printed():
    told = {field for field, _ in read_field_rules(ClientRecord)}
    assert set(ClientRecord.model_fields) - told == {"name", "archived"}
    assert all(how.label or how.group == "own" for _, how in read_field_rules(ClientRecord))


def test_what_was_told_and_taken_back_is_no_news():
    def change(item, before, after):
        return ItemChange(field="excluded", item=item, before=before, after=after)

    made = [
        change("foot left", None, "a plaster"),
        change("back mid", None, "keep off"),
        change("foot left", "a plaster", None),
        change("back mid", "keep off", "sunburn"),
    ]
    assert net_changes(made) == (change("back mid", None, "sunburn"),)
    assert net_changes(made[1:]) == (
        change("foot left", "a plaster", None),
        change("back mid", None, "sunburn"),
    )


def test_one_place_is_written_in_one_way():
    """Or else it is told as to be kept off, and as to be worked again, at once."""
    both, mid = (Excluded(region="back", side=side, because="sunburn") for side in ("both", "mid"))
    assert name_sides([both, mid], CATALOGUE) == (mid,)
    half = Excluded(region="back", side="left")
    feet = Excluded(region="foot", side="both")
    assert name_sides([half, feet], CATALOGUE) == (half, feet)
    record = ClientRecord(name="Jory", excluded=(both,), tension=(Place(region="neck"),))
    named = name_record_sides(record, CATALOGUE)
    assert (named.excluded, named.tension) == ((mid,), (Place(region="neck", side="mid"),))
