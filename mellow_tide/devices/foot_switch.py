"""A foot switch with two pedals. To the screen it is a keyboard: it sends the codes that such switches usually send."""

from typing import Literal

Pedal = Literal["on", "back"]
Sends = Literal["page", "arrows", "space"]
"""Which codes a switch is set to: page keys, arrows left and right, or space and backspace (common practice)."""

_KEYS: dict[Sends, dict[Pedal, str]] = {
    "page": {"on": "PageDown", "back": "PageUp"},
    "arrows": {"on": "ArrowRight", "back": "ArrowLeft"},
    "space": {"on": " ", "back": "Backspace"},
}


def key_of(pedal: Pedal, sends: Sends) -> str:
    """The key, named as browsers name it, that a pedal sends."""
    return _KEYS[sends][pedal]
