"""Sheets of paper as PDF, by the package fpdf2, in the product's own letters."""

from collections.abc import Iterable
from datetime import datetime
from importlib import resources

from fpdf import FPDF

INK, QUIET, LINE = (16, 57, 63), (85, 106, 109), (190, 202, 200)
MARGIN, LABEL, HEIGHT = 20.0, 48.0, 5.6
"""Millimetres on A4: the margin, the width of what stands before a line, the height of a line."""


class Paper:
    """A document that is written from top to bottom: headings, sentences, and lines with a label."""

    def __init__(self, title: str, made_at: datetime, foot: str) -> None:
        self._pdf = _Footed(foot)
        fonts = resources.files("mellow_tide.core.formats") / "fonts"
        for style, name in (("", "regular"), ("B", "bold")):
            with resources.as_file(fonts / f"atkinson-hyperlegible-next-{name}.ttf") as file:
                self._pdf.add_font("text", style, file)
        self._pdf.set_title(title)
        self._pdf.set_creation_date(made_at)
        self._pdf.set_margin(MARGIN)
        self._pdf.set_auto_page_break(True, MARGIN + 6)
        self._pdf.add_page()
        self._write(title, size=22, style="B", after=1)

    def sentence(self, words: str) -> None:
        """A paragraph over the whole width."""
        self._write(words, size=10.5, after=1.5)

    def quiet(self, words: str) -> None:
        """A paragraph that is less important."""
        self._pdf.set_text_color(*QUIET)
        self._write(words, size=9.5, after=1.5, ink=False)

    def heading(self, words: str) -> None:
        """A heading, never alone at the foot of a page."""
        if self._pdf.will_page_break(HEIGHT * 4):
            self._pdf.add_page()
        self._pdf.ln(4)
        self._write(words, size=14, style="B", after=1)

    def lines(self, rows: Iterable[tuple[str, str]]) -> None:
        """Lines of a label and what belongs to it; those without anything are left out."""
        for label, words in rows:
            if not words:
                continue
            if self._pdf.will_page_break(HEIGHT * 2):
                self._pdf.add_page()
            self._pdf.set_text_color(*QUIET)
            self._pdf.set_font("text", "", 10)
            top, page = self._pdf.y, self._pdf.page
            self._pdf.multi_cell(LABEL - 3, HEIGHT, label, align="L", new_x="RIGHT", new_y="TOP")
            below = self._pdf.y
            self._pdf.set_xy(MARGIN + LABEL, top)
            self._pdf.set_text_color(*INK)
            self._pdf.set_font("text", "", 10.5)
            self._pdf.multi_cell(0, HEIGHT, words, align="L", new_x="LMARGIN", new_y="NEXT")
            if self._pdf.page == page:
                self._pdf.set_y(max(self._pdf.y, below))

    def bytes(self) -> bytes:
        """The finished document."""
        return bytes(self._pdf.output())

    def _write(self, words: str, size: float, style: str = "", after: float = 0, ink: bool = True) -> None:
        if ink:
            self._pdf.set_text_color(*INK)
        self._pdf.set_font("text", style, size)
        self._pdf.multi_cell(0, size * 0.5, words, align="L", new_x="LMARGIN", new_y="NEXT")
        self._pdf.ln(after)


class _Footed(FPDF):
    """Pages with a foot: whose they are, and which of how many."""

    def __init__(self, foot: str) -> None:
        super().__init__(format="A4")
        self._foot = foot

    def footer(self) -> None:
        """Called by the package at the end of every page."""
        self.set_y(-MARGIN + 3)
        self.set_draw_color(*LINE)
        self.line(MARGIN, self.y, self.w - MARGIN, self.y)
        self.set_font("text", "", 8.5)
        self.set_text_color(*QUIET)
        self.cell(0, 7, f"{self._foot} · page {self.page_no()} of {{nb}}")
