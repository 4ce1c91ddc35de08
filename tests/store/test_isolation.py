"""One practice cannot reach another's rows, with raw SQL under the application's own role."""

from uuid import uuid4

import psycopg
import pytest

from mellow_tide.demo.people import CLIENTS, PRACTICE_ID, PRACTICE_NAME, THERAPIST_ID
from mellow_tide.store.database import Database, Sight, look_through
from mellow_tide.store.people import Membership, Person, Practice, add_member, add_person, add_practice
from tests.conftest import NOW

OTHER = Practice(uuid4(), "Another practice", "UTC")
STRANGER = Person(uuid4(), "Someone Else", "else@elsewhere.example", "x")
TENANT_TABLES = (
    "practice",
    "membership",
    "sign_in",
    "client",
    "session",
    "run_event",
    "session_log",
    "plan_step",
    "plan_version",
    "flow",
    "client_change",
    "intake",
    "erasure",
    "foot_switch_press",
    "session_log_addition",
    "follow_up",
    "visit_mark",
    "own_pace",
    "begun_run",
    "client_merge",
    "invitation",
    "house_change",
    "prepared_item",
    "self_check",
    "calendar_feed",
    "calendar_block",
    "stock_entry",
    "machine",
    "table_heights",
    "counted_run",
)

OF_NO_PRACTICE_ALWAYS = ("security_event",)
"""A sign-in that fails belongs to nobody."""


@pytest.fixture(scope="module", autouse=True)
def _second_practice(owner_dsn):
    with (
        Database(owner_dsn, most_connections=1) as db,
        db.transaction(Sight(OTHER.practice_id, STRANGER.person_id)) as t,
    ):
        add_practice(t, OTHER)
        add_person(t, STRANGER)
        add_member(t, Membership(OTHER.practice_id, STRANGER.person_id, "owner"), NOW)


@pytest.fixture
def other(app_dsn):
    """A connection that has been opened for the second practice."""
    with psycopg.connect(app_dsn) as connection:
        look_through(connection, Sight(OTHER.practice_id, STRANGER.person_id))
        yield connection
        connection.rollback()


def count(connection, table):
    return connection.execute(
        psycopg.sql.SQL("SELECT count(*) FROM {}").format(psycopg.sql.Identifier(table))
    ).fetchone()[0]


def test_the_first_practice_has_rows_to_protect(app_dsn):
    with psycopg.connect(app_dsn) as connection:
        look_through(connection, Sight(PRACTICE_ID))
        counts = {
            table: count(connection, table)
            for table in TENANT_TABLES
            if table
            not in (
                "sign_in",
                "plan_step",
                "plan_version",
                "flow",
                "erasure",
                "foot_switch_press",
                "session_log_addition",
                "follow_up",
                "visit_mark",
                "own_pace",
                "client_merge",
                "invitation",
                "house_change",
                "prepared_item",
                "self_check",
                "calendar_feed",
                "calendar_block",
                "stock_entry",
                "machine",
                "table_heights",
                "counted_run",
            )
        }
    assert counts["client"] == 13
    assert counts["session"] == 5
    assert counts["session_log"] == 2
    assert all(counts.values())


def test_reading_finds_only_ones_own(other):
    seen = {table: count(other, table) for table in TENANT_TABLES}
    assert seen == {**dict.fromkeys(TENANT_TABLES, 0), "practice": 1, "membership": 1}
    assert other.execute("SELECT email FROM person").fetchall() == [("else@elsewhere.example",)]


@pytest.mark.parametrize("view", ["client_whole", "session_whole"])
def test_the_views_show_only_what_who_asks_may_see(app_dsn, other, view):
    assert count(other, view) == 0
    with psycopg.connect(app_dsn) as connection:
        look_through(connection, Sight(PRACTICE_ID))
        assert count(connection, view) > 0


def test_without_a_sight_there_is_nothing(app_dsn):
    with psycopg.connect(app_dsn) as connection:
        assert [count(connection, table) for table in (*TENANT_TABLES, "person")] == [0] * (
            len(TENANT_TABLES) + 1
        )


def test_writing_over_the_first_practices_rows_changes_none(other):
    assert other.execute("UPDATE client SET name = 'mine'").rowcount == 0
    assert other.execute("UPDATE session SET revision = 99").rowcount == 0
    assert other.execute("DELETE FROM sign_in").rowcount == 0
    assert other.execute("UPDATE membership SET role = 'owner'").rowcount == 1
    assert other.execute("UPDATE practice SET name = 'mine'").rowcount == 1
    assert other.execute("UPDATE person SET password_hash = 'mine'").rowcount == 1
    look_through(other, Sight(PRACTICE_ID, THERAPIST_ID))
    assert other.execute("SELECT name FROM practice").fetchone() == (PRACTICE_NAME,)
    assert other.execute("SELECT password_hash <> 'mine' FROM person").fetchall() == [(True,)]


@pytest.mark.parametrize(
    "statement",
    [
        "INSERT INTO client (practice_id, client_id, name) VALUES (%(first)s, gen_random_uuid(), 'planted')",
        "INSERT INTO sign_in VALUES (%(first)s, '\\x00', %(therapist)s, now() + interval '1 day')",
        "INSERT INTO membership (practice_id, person_id, role) VALUES (%(first)s, %(stranger)s, 'owner')",
        "INSERT INTO person VALUES (gen_random_uuid(), 'x@y.example', 'planted', 'x')",
        "INSERT INTO second_factor VALUES (%(therapist)s, 'secret')",
        "INSERT INTO invitation (practice_id, invitation_id, link_hash, role, made_by, made_at, expires_at)"
        " VALUES (%(first)s, gen_random_uuid(), '\\x00', 'owner', '', now(), now())",
    ],
)
def test_planting_a_row_in_the_first_practice_is_refused(other, statement):
    with pytest.raises(psycopg.errors.InsufficientPrivilege):
        other.execute(
            statement, {"first": PRACTICE_ID, "therapist": THERAPIST_ID, "stranger": STRANGER.person_id}
        )


@pytest.mark.parametrize("act", ["erase_client(%(theirs)s)", "merge_client(%(mine)s, %(theirs)s)"])
def test_what_moves_and_deletes_reaches_only_ones_own(other, act):
    values = {"theirs": CLIENTS["ottilie"].client_id, "mine": uuid4()}
    other.execute(f"SELECT {act}", values)
    look_through(other, Sight(PRACTICE_ID))
    assert count(other, "client") == 13
    assert count(other, "session") == 5


@pytest.mark.parametrize(
    "statement",
    [
        "UPDATE run_event SET event = '{}'",
        "DELETE FROM run_event",
        "UPDATE begun_run SET sheet_id = 'other'",
        "DELETE FROM begun_run",
        "UPDATE session_log SET log = '{}'",
        "DELETE FROM session_log",
        "DELETE FROM session",
        "UPDATE session SET client_id = gen_random_uuid()",
        "DELETE FROM client",
        "UPDATE client_change SET after = '1'",
        "DELETE FROM client_change",
        "DELETE FROM intake",
        "UPDATE intake SET client_id = gen_random_uuid()",
        "DELETE FROM erasure",
        "UPDATE session SET session_id = gen_random_uuid()",
        "UPDATE membership SET person_id = gen_random_uuid()",
        "DELETE FROM membership",
        "DELETE FROM person",
        "DELETE FROM practice",
        "UPDATE house_change SET after = 'mine'",
        "DELETE FROM house_change",
        "INSERT INTO password_link VALUES ('\\x00', gen_random_uuid(), now())",
        "ALTER TABLE client DISABLE ROW LEVEL SECURITY",
        "ALTER TABLE client NO FORCE ROW LEVEL SECURITY",
        "SET ROLE mellow_tide_owner",
    ],
)
def test_what_was_tapped_and_who_may_see_it_cannot_be_changed_even_at_home(app_dsn, statement):
    with psycopg.connect(app_dsn) as connection:
        look_through(connection, Sight(PRACTICE_ID, THERAPIST_ID))
        with pytest.raises(psycopg.errors.InsufficientPrivilege):
            connection.execute(statement)


def test_the_role_owns_nothing_and_cannot_bypass(app_dsn):
    with psycopg.connect(app_dsn) as connection:
        flags = "rolsuper, rolbypassrls, rolcreaterole, rolcreatedb"
        assert (
            connection.execute(f"SELECT {flags} FROM pg_roles WHERE rolname = current_user").fetchone()
            == (False,) * 4
        )
        owned = connection.execute(
            "SELECT count(*) FROM pg_class WHERE pg_get_userbyid(relowner) = current_user"
        ).fetchone()
        assert owned == (0,)


def test_every_table_of_a_practice_forces_row_security_and_starts_its_key_with_the_practice(owner_dsn):
    keys = """
        SELECT c.relname, c.relrowsecurity AND c.relforcerowsecurity,
               (SELECT a.attname FROM pg_index i JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = i.indkey[0]
                WHERE i.indrelid = c.oid AND i.indisprimary)
        FROM pg_class c
        WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace
          AND EXISTS (SELECT FROM pg_attribute p WHERE p.attrelid = c.oid AND p.attname = 'practice_id')
    """
    with psycopg.connect(owner_dsn) as connection:
        found = connection.execute(keys).fetchall()
    ours = [row for row in found if row[0] not in OF_NO_PRACTICE_ALWAYS]
    assert sorted(ours) == sorted((table, True, "practice_id") for table in TENANT_TABLES)
    assert all(forced for _, forced, _ in found)


def test_what_touches_safety_is_seen_by_its_practice_and_changed_by_nobody(app_dsn, other):
    add = "INSERT INTO security_event (at, kind, practice_id) VALUES (now(), 'exported', %s)"
    with psycopg.connect(app_dsn) as first:
        look_through(first, Sight(PRACTICE_ID))
        first.execute(add, [PRACTICE_ID])
        first.commit()
        look_through(first, Sight(PRACTICE_ID))
        assert count(first, "security_event") > 0
        assert first.execute("DELETE FROM security_event").rowcount == 0
        with pytest.raises(psycopg.errors.InsufficientPrivilege):
            first.execute("UPDATE security_event SET kind = 'erased'")
    assert count(other, "security_event") == 0
    with pytest.raises(psycopg.errors.InsufficientPrivilege):
        other.execute(add, [PRACTICE_ID])
