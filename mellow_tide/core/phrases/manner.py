"""How a practice writes dates, times of day and measures, by its country."""

from datetime import date, time
from typing import Literal

from babel import Locale, UnknownLocaleError
from babel.dates import format_date, format_skeleton, format_time
from babel.numbers import format_decimal
from pydantic import BaseModel, ConfigDict

USUAL_LOCALE = "en-GB"
"""Where the country is not told, or nobody has written down how English is written there."""

US_MEASURES = frozenset({"US", "LR", "MM"})
"""Countries that measure people by feet and pounds (CLDR, measurementData)."""

CM_IN_INCH = 2.54
KG_IN_POUND = 0.45359237
"""Exact, by the international yard and pound agreement of 1959."""


Measure = Literal["height", "weight"]


class Manner(BaseModel):
    """`locale`: a language tag, such as `en-US`; `measures`: what lengths, weights and amounts are told in."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    locale: str
    measures: Literal["metric", "us"]

    def say_day(self, day: date) -> str:
        """`9 November 2026`, `November 9, 2026`."""
        return str(format_date(day, "long", locale=self._locale))

    def say_short_day(self, day: date) -> str:
        """`Mon 9 Nov`, `Mon, Nov 9`."""
        return str(format_skeleton("MMMEd", day, locale=self._locale))

    def say_time(self, at: time) -> str:
        """`14:05`, `2:05 PM`."""
        # Papers have no letter for the narrow space that the locale data puts before AM and PM.
        return str(format_time(at, "short", locale=self._locale)).replace("\u202f", " ")

    def say_measure(self, measure: Measure, amount: float) -> str:
        """Centimetres of a height or kilograms of a weight, as they are told here."""
        return self.say_height(amount) if measure == "height" else self.say_weight(amount)

    def say_height(self, cm: float) -> str:
        """`170 cm`, `5 ft 7 in`."""
        if self.measures == "metric":
            return f"{self._number(cm, 0)} cm"
        feet, inches = divmod(round(cm / CM_IN_INCH), 12)
        return f"{feet} ft {inches} in"

    def say_weight(self, kg: float) -> str:
        """`68.5 kg`, `151 lb`."""
        if self.measures == "metric":
            return f"{self._number(kg, 1)} kg"
        return f"{self._number(kg / KG_IN_POUND, 0)} lb"

    def _number(self, number: float, digits: int) -> str:
        return str(format_decimal(round(number, digits), locale=self._locale))

    @property
    def _locale(self) -> Locale:
        return Locale.parse(self.locale, sep="-")


def manner_of(country: str) -> Manner:
    """How English is written in a country (two letters of ISO 3166, or nothing)."""
    locale = f"en-{country}" if country else USUAL_LOCALE
    try:
        Locale.parse(locale, sep="-")
    except UnknownLocaleError:
        locale = USUAL_LOCALE
    return Manner(locale=locale, measures="us" if country in US_MEASURES else "metric")
