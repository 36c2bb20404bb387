"""The room that a socket wants round a nut."""

from typing import Final

from driveline.metal.bolts import Thread

WALL: Final = 1.3
ROUND_MM: Final = 3.0


def socket_mm(size: Thread) -> float:
    """Return the greatest outside diameter of a hand socket for a thread's nut.

    Args:
        size: Of the thread; its nut is as wide across its flats as its head bears.

    Source:
        ISO 2725-1, its greatest diameters as 1.3 s + 3 mm, which are 20 for 13, 26.4 for 18 and 34.2 for 24.
    """
    return WALL * size.head_mm + ROUND_MM
