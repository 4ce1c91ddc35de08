"""Times in sentences."""


def say_span(seconds: int) -> str:
    """`3 min 15 s`, `45 s`, `2 min`; the sign is left to the sentence."""
    minutes, rest = divmod(abs(seconds), 60)
    if not minutes:
        return f"{rest} s"
    return f"{minutes} min {rest} s" if rest else f"{minutes} min"


def say_weeks(days: int) -> str:
    """Days of a pregnancy as one counts them: `20w0d` for 140 days."""
    return f"{days // 7}w{days % 7}d"
