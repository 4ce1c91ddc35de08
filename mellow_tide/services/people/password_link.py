"""A forgotten password: a one-time link, made by whoever runs the server, sets a new one."""

from datetime import timedelta

from mellow_tide.services.people.attempts import Caller, begin_visit
from mellow_tide.services.people.passwords import as_kept, hash_in_turn, judge_password
from mellow_tide.services.people.tokens import hash_token, make_token
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.accounts import (
    PasswordLink,
    add_password_link,
    delete_second_factor,
    end_sign_ins,
    find_password_link,
    use_password_link,
)
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.errors import NotThere
from mellow_tide.store.people import find_person, find_person_by_email, set_password
from mellow_tide.store.security import Whose, add_security_event

OPEN_FOR = timedelta(hours=24)


class PasswordLinkOver(Exception):
    """A link that was used, has run out, or was never made."""


def make_password_link(owner: Database, email: str, ends_second_factor: bool) -> str:
    """The secret part of a link that sets a new password once, within a day; only the owner of the tables may.

    Raises `NotThere` where nobody has this e-mail.
    """
    kept, token, now = as_kept(email), make_token(), owner.now()
    with owner.transaction(Sight(email=kept)) as t:
        person = find_person_by_email(t, kept)
    if person is None:
        raise NotThere("person")
    with owner.transaction(Sight(person=person.person_id)) as t:
        link = PasswordLink(person.person_id, now + OPEN_FOR, ends_second_factor, None)
        add_password_link(t, hash_token(token), link)
        add_security_event(t, "password_link", now, Whose(person_id=person.person_id))
    return token


def set_by_link(db: Database, token: str, password: str, caller: Caller) -> None:
    """Set a new password; every device is signed out. Raises `PasswordLinkOver`, `BadEntry`, `TooManyAttempts`."""
    begin_visit(db, caller.address)
    now = db.now()
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        link = find_password_link(t, hash_token(token))
    if link is None or link.used_at or link.expires_at <= now:
        raise PasswordLinkOver
    with db.transaction(Sight(person=link.person_id)) as t:
        person = find_person(t, link.person_id)
    problems = tuple(judge_password("password", password, (person.name, person.email)))
    if problems:
        raise BadEntry(*problems)
    password_hash = hash_in_turn(password)
    with db.transaction(Sight(person=link.person_id, token_hash=hash_token(token))) as t:
        if not use_password_link(t, hash_token(token), now):
            raise PasswordLinkOver
        set_password(t, password_hash)
        if link.ends_second_factor:
            delete_second_factor(t)
        end_sign_ins(t, link.person_id)
        add_security_event(t, "password_changed", now, Whose(person_id=link.person_id), "by link")
