"""Passwords: how strong they must be, and how they are kept. E-mail addresses: what is one."""

from collections.abc import Iterator, Sequence

from argon2 import PasswordHasher
from argon2.exceptions import VerificationError

from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.people.attempts import taking_turns

FEWEST_LETTERS = 8
STRONG = 3
"""Of zxcvbn's 0 to 4: more than 10^8 guesses (Wheeler 2016, from memory)."""

_hasher = PasswordHasher()
_nobody = _hasher.hash("nobody's password")


def hash_password(password: str) -> str:
    """The argon2 hash to store."""
    return _hasher.hash(password)


def hash_in_turn(password: str) -> str:
    """The same when it is its turn. Raises `TooManyAttempts` where too many wait."""
    with taking_turns():
        return _hasher.hash(password)


def matches(password: str, password_hash: str | None) -> bool:
    """Whether it is the password; where there is nobody it takes as long. Raises `TooManyAttempts`."""
    try:
        with taking_turns():
            return _hasher.verify(password_hash or _nobody, password) and password_hash is not None
    except VerificationError:
        return False


def judge_password(field: str, password: str, about: Sequence[str]) -> Iterator[FieldProblem]:
    """What keeps it from being a good one; `about` are words that whoever knows the person tries first."""
    from zxcvbn import zxcvbn

    if len(password) < FEWEST_LETTERS:
        yield FieldProblem(field, "short_password", fewest=FEWEST_LETTERS)
        return
    words = [part for word in about for part in (word, *word.replace("@", " ").replace(".", " ").split())]
    # What comes later only makes it stronger, and takes long to look at.
    found = zxcvbn(password[:72], user_inputs=words)
    if found["score"] < STRONG:
        told = [found["feedback"]["warning"], *found["feedback"]["suggestions"]]
        advice = " ".join(told[:2]).strip() or say("people.password_advice")
        yield FieldProblem(field, "weak_password", advice=_as_remedy(advice))


def judge_email(field: str, email: str) -> Iterator[FieldProblem]:
    """What keeps it from being an e-mail address. Nothing is asked of the network."""
    from email_validator import EmailNotValidError, validate_email

    try:
        validate_email(email, check_deliverability=False)
    except EmailNotValidError as error:
        yield FieldProblem(field, "not_an_email", why=_as_remedy(str(error)))


def _as_remedy(told: str) -> str:
    """A sentence as the second half of one of ours."""
    return told[:1].lower() + told[1:].rstrip(".")


def as_kept(email: str) -> str:
    """The address as it is kept and found again: in small letters, without spaces around it."""
    return email.strip().lower()
