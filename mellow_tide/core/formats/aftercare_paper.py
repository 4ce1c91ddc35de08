"""What a client takes home, as a paper to read."""

from datetime import datetime

from mellow_tide.core.formats.paper import Paper
from mellow_tide.core.phrases.book import say


def print_aftercare(text: str, practice: str, made_at: datetime) -> bytes:
    """The words as PDF, a paragraph by a paragraph."""
    paper = Paper(say("aftercare.title"), made_at, practice)
    for paragraph in text.split("\n\n"):
        paper.sentence(paragraph)
    return paper.bytes()
