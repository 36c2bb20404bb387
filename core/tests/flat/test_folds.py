"""Flat patterns, folded back: a sheet that keeps the length of its neutral fibre measures what it was to measure."""

import math
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.flat.folds import neutral_share, unfolded


def folded_back_mm(
    width_mm: float, bends_mm: tuple[float, ...], *, thickness_mm: float, inside_mm: float
) -> list[float]:
    """Panels over their outside: the neutral fibre walked along, each bend a quarter turn, outsides made to meet."""
    neutral = inside_mm + neutral_share(inside_mm, thickness_mm) * thickness_mm
    arc, out = math.pi / 2 * neutral, inside_mm + thickness_mm - neutral
    place, way, at = 0j, 1 + 0j, 0.0
    starts, ways = [place], [way]
    for bend in bends_mm:
        place += way * (bend - arc / 2 - at)
        centre = place + 1j * way * neutral  # it turns to the left
        place, way, at = centre + way * neutral, 1j * way, bend + arc / 2
        starts.append(place)
        ways.append(way)
    end = place + way * (width_mm - at)
    outsides = [start - 1j * way * out for start, way in zip(starts, ways, strict=True)]
    corners = [outsides[0]]
    for k in range(1, len(outsides)):
        ahead = ((outsides[k] - outsides[k - 1]) * ways[k - 1].conjugate()).real
        corners.append(outsides[k - 1] + ways[k - 1] * ahead)
    corners.append(end - 1j * way * out)
    return [abs(b - a) for a, b in zip(corners, corners[1:], strict=False)]


class FoldTest(TestCase):
    @given(st.floats(1, 8), st.floats(0.5, 3), st.lists(st.floats(80, 300), min_size=2, max_size=5))
    def test_a_pattern_folds_back_to_what_it_was_made_of(
        self, thick_mm: float, share: float, sides: list[float]
    ) -> None:
        inside = share * thick_mm
        flat = unfolded(sides, thickness_mm=thick_mm, inside_mm=inside)
        back = folded_back_mm(flat.width_mm, flat.bends_mm, thickness_mm=thick_mm, inside_mm=inside)
        for made, wanted in zip(back, sides, strict=True):
            self.assertAlmostEqual(made, wanted, delta=0.05)

    def test_a_channel_by_hand(self) -> None:
        """40 + 80 + 40 of 4 mm about radius 4: 32 + 64 + 32 flat, and two bends of π/2 (4 + 0.325 × 4) = 8.325."""
        flat = unfolded((40, 80, 40), thickness_mm=4, inside_mm=4)
        self.assertAlmostEqual(flat.width_mm, 128 + 2 * math.pi / 2 * 5.3)
        self.assertAlmostEqual(flat.bends_mm[0], 32 + math.pi / 4 * 5.3)

    def test_the_neutral_fibre_goes_to_the_middle_of_a_wide_bend(self) -> None:
        self.assertAlmostEqual(neutral_share(5, 1), 0.325 + 0.25 * math.log10(5))
        self.assertEqual(neutral_share(20, 1), 0.5)

    def test_what_cannot_be_folded_is_refused_by_name(self) -> None:
        for sides, thick, inside, name in (
            ((10, 80), 6, 6, "panel"),
            ((40, 20, 40), 6, 6, "panel"),
            ((40, 80), 0, 4, "thick"),
        ):
            with self.subTest(sides=sides), self.assertRaisesRegex(ImpossibleInput, name):
                unfolded(sides, thickness_mm=thick, inside_mm=inside)
