"""A link as squares, for a phone to look at."""

import segno


def squares_of(text: str) -> list[str]:
    """Return the rows of a QR code, 1 for a dark square."""
    return ["".join("01"[bool(dark)] for dark in row) for row in segno.make_qr(text, error="m").matrix]
