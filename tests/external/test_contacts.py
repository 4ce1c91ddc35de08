"""Contacts in and out.

Sources: RFC 6350 (vCard 4.0, 2011) and RFC 2426 (vCard 3.0, 1998), from memory, with the package `vobject` as reader
and writer; RFC 4180 (CSV, 2005), from memory, with Python's own `csv` as the writer.
"""

import csv
import io

import pytest
import vobject
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.formats.contact_table import UnreadableTable, read_contacts, read_table
from mellow_tide.core.formats.vcard import UnreadableCards, read_vcard, write_vcard
from mellow_tide.core.meeting.record import ClientRecord

# What a name or a line may hold; control characters are no part of either format's text.
letters = st.characters(exclude_categories=("C", "Zl", "Zp"))
words = st.text(letters, min_size=1, max_size=60).map(lambda text: " ".join(text.split())).filter(bool)
contacts = st.builds(
    ClientRecord,
    name=words,
    address_as=st.just("") | words,
    phone=st.from_regex(r"\+?[0-9 ()-]{0,30}[0-9]", fullmatch=True) | st.just(""),
    email=st.just("") | st.emails().filter(lambda address: len(address) < 200),
)


@given(st.lists(contacts, min_size=1, max_size=4))
def test_cards_come_back_as_they_went_out(records):
    back = read_vcard(write_vcard(records))
    assert [contact.record for contact in back] == [
        record.model_copy(update={"phone": record.phone.strip()}) for record in records
    ]


@given(contacts)
def test_the_reference_reads_what_we_write(record):
    card = vobject.readOne(write_vcard([record]))
    assert card.fn.value == record.name
    assert [value.value for value in card.contents.get("tel", [])] == ([record.phone] if record.phone else [])


def test_we_read_what_the_reference_writes():
    card = vobject.vCard()
    card.add("n").value = vobject.vcard.Name(family="Ropewalk", given="Tamsin")
    card.add("fn").value = "Tamsin Ropewalk"
    card.add("tel").value = "+44 1632 555019"
    card.add("note").value = "Two lines,\nand a comma; a semicolon"
    card.add("bday").value = "1971-04-03"
    (contact,) = read_vcard(card.serialize())
    assert contact.record == ClientRecord(
        name="Tamsin Ropewalk",
        phone="+44 1632 555019",
        note="Two lines,\nand a comma; a semicolon",
        birth_year=1971,
    )


def test_a_card_of_version_4_with_folded_lines_is_read():
    text = (
        "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Loveday Kedge of the Very Long\r\n  Breakwater\r\n"
        "TEL;VALUE=uri;TYPE=cell:tel:+44-1632-555-020\r\nNOTE:one\\ntwo\\, three\r\nEND:VCARD\r\n"
    )
    (contact,) = read_vcard(text)
    assert contact.record.name == "Loveday Kedge of the Very Long Breakwater"
    assert contact.record.phone == "+44-1632-555-020"
    assert contact.record.note == "one\ntwo, three"


def test_a_card_without_a_name_and_a_text_without_a_card_say_so():
    (nameless,) = read_vcard("BEGIN:VCARD\nVERSION:3.0\nTEL:1\nEND:VCARD\n")
    assert nameless.record is None
    assert nameless.problems[0].field == "name"
    for text in ("hello", "BEGIN:VCARD\nVERSION:3.0\nFN:x", ""):
        with pytest.raises(UnreadableCards):
            read_vcard(text)


cells = st.text(letters, max_size=30).map(lambda text: " ".join(text.split()))


@given(st.lists(st.tuples(words, cells, cells), min_size=1, max_size=6), st.sampled_from(",;\t"))
def test_a_table_of_any_kin_comes_in_as_it_was_written(rows, delimiter):
    out = io.StringIO()
    writer = csv.writer(out, delimiter=delimiter)
    writer.writerow(["Name", "Notes", "Nickname"])
    writer.writerows(rows)
    table = read_table(out.getvalue())
    assert [column.field for column in table.columns] == ["name", "note", "address_as"]
    assert table.lines == len(rows)
    found = read_contacts(out.getvalue(), {0: "name", 1: "note", 2: "address_as"})
    assert [(c.record.name, c.record.note, c.record.address_as) for c in found] == rows


def test_names_in_two_columns_are_joined_whichever_comes_first():
    text = "Surname,First name,Mobile\r\nKedge,Loveday,01632 555020\r\n"
    fields = [column.field for column in read_table(text).columns]
    assert fields == ["family_name", "given_name", "phone"]
    (contact,) = read_contacts(text, dict(enumerate(fields)))
    assert contact.record.name == "Loveday Kedge"


def test_a_cell_that_cannot_be_is_named_with_its_line_and_the_rest_is_read():
    text = 'name;height\n"Jory\nMast";181\nTamsin;tall\n;\n;170\n'
    jory, tamsin, nobody = read_contacts(text, {0: "name", 1: "height_cm"})
    assert jory.record.height_cm == 181
    assert (tamsin.line, tamsin.record, tamsin.problems[0].field) == (4, None, "height_cm")
    assert "line 4: “tall”" in tamsin.problems[0].what
    assert (nobody.line, nobody.problems[0].field) == (6, "name")


@pytest.mark.parametrize("text", ["", "name\n", 'name,phone\n"open,1\n'])
def test_what_is_no_table_is_refused(text):
    with pytest.raises(UnreadableTable):
        read_table(text)
