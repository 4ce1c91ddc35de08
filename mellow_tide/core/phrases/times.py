"""Times in sentences."""


def say_span(seconds: int) -> str:
    """`3 min 15 s`, `45 s`, `2 min`; the sign is left to the sentence."""
    minutes, rest = divmod(abs(seconds), 60)
    if not minutes:
        return f"{rest} s"
    return f"{minutes} min {rest} s" if rest else f"{minutes} min"


def say_weeks(days: int) -> str:
    """Days of a pregnancy as one counts them: `20 weeks` for 140 days, `20 weeks and 1 day` for 141."""
    weeks, rest = divmod(days, 7)
    if not rest:
        return f"{weeks} weeks"
    return f"{weeks} weeks and {rest} day{'' if rest == 1 else 's'}"
