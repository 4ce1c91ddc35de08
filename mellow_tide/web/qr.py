"""QR codes, to be scanned from a screen."""

import segno


def draw_qr(text: str) -> str:
    """The text as a QR code: an SVG without a size of its own, dark on white in both themes."""
    code = segno.make(text, error="m")
    return code.svg_inline(omitsize=True, border=3, dark="#10393f", light="#ffffff")
