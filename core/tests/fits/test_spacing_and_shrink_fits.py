"""Spacers against corner enumeration and draws; shrink fits against Lamé's constants solved as a system."""

import math
from itertools import product
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.fits.interference import (
    Elastic,
    bore_stress_mpa,
    fit_pressure_mpa,
    inner_bore_hoop_mpa,
    spun_off_mm,
    warm_interference_mm,
)
from driveline.fits.spacing import Gap, window
from driveline.fits.stackup import Link, stack_up

lengths = st.floats(-50, 50)
limits = st.floats(0, 1)
links = st.lists(st.tuples(lengths, limits), min_size=1, max_size=5)
STEEL, ALUMINIUM = Elastic(modulus_mpa=206_000, poisson=0.3), Elastic(modulus_mpa=70_000, poisson=0.33)


def gap_of(key: str, parts: list[tuple[float, float]], sign: int, least: float, room: float) -> Gap:
    made = tuple(Link(f"{key}{k}", length, limit) for k, (length, limit) in enumerate(parts))
    return Gap(key=key, links=made, sign=sign, least_mm=least, greatest_mm=least + room)


class SpacerTest(TestCase):
    @settings(max_examples=150)
    @given(links, links, limits, st.floats(0.5, 8), st.floats(0.5, 8))
    def test_the_solved_spacer_keeps_every_gap_at_every_corner_or_none_does(
        self,
        one: list[tuple[float, float]],
        other: list[tuple[float, float]],
        own_mm: float,
        room_mm: float,
        other_room_mm: float,
    ) -> None:
        gaps = [gap_of("a", one, 1, 1.0, room_mm), gap_of("b", other, -1, 2.0, other_room_mm)]
        found = window(gaps, either_way_mm=own_mm)

        def holds(spacer_mm: float, slack: float) -> bool:
            for gap in gaps:
                for signs in product((-1, 1), repeat=len(gap.links) + 1):
                    parts = zip(gap.links, signs, strict=False)
                    value = sum(link.length_mm + sign * link.either_way_mm for link, sign in parts)
                    value += gap.sign * (spacer_mm + signs[-1] * own_mm)
                    if not gap.least_mm - slack <= value <= gap.greatest_mm + slack:
                        return False
            return True

        if found.middle_mm is not None:
            self.assertTrue(holds(found.middle_mm, 1e-9))
            self.assertTrue(holds(found.least_mm, 1e-9) and holds(found.greatest_mm, 1e-9))
            self.assertFalse(holds(found.least_mm - 0.01, 0) or holds(found.greatest_mm + 0.01, 0))
        else:
            tried = np.linspace(found.greatest_mm - 1, found.least_mm + 1, 25).tolist()
            self.assertFalse(any(holds(spacer_mm, -1e-9) for spacer_mm in tried))

    def test_the_likely_spread_is_that_of_a_million_draws(self) -> None:
        parts = [(10.0, 0.3), (-4.0, 0.2), (2.0, 0.05), (1.0, 0.4)]
        found = stack_up([Link(str(k), *one) for k, one in enumerate(parts)])
        rng = np.random.default_rng(4)
        drawn = sum(rng.normal(length, limit / 3, 1_000_000) for length, limit in parts)
        self.assertAlmostEqual(found.likely_mm, 3 * float(np.std(drawn)), delta=0.005)
        self.assertAlmostEqual(found.nominal_mm, float(np.mean(drawn)), delta=0.005)


def lame_by_system(
    interference_mm: float, joint_mm: float, outside_mm: float, inside_mm: float, outer: Elastic, inner: Elastic
) -> tuple[float, float, float]:
    """Pressure, hub hoop at the bore and shaft hoop at its bore (or centre), from u = A r + B/r in both bodies."""

    def rows(r: float, body: Elastic) -> tuple[list[float], list[float], list[float]]:
        e, nu = body.modulus_mpa, body.poisson
        radial = [e / (1 - nu), -e / (1 + nu) / r**2]
        hoop = [e / (1 - nu), e / (1 + nu) / r**2]
        return [r, 1 / r], radial, hoop

    joint, rim, bore = joint_mm / 2, outside_mm / 2, inside_mm / 2
    u_out, s_out, h_out = rows(joint, outer)
    u_in, s_in, _ = rows(joint, inner)
    system = [
        [*u_out, -u_in[0], -u_in[1]],
        [*s_out, -s_in[0], -s_in[1]],
        [*rows(rim, outer)[1], 0.0, 0.0],
        [0.0, 0.0, *rows(bore, inner)[1]] if bore else [0.0, 0.0, 0.0, 1.0],
    ]
    a, b, c, d = np.linalg.solve(system, [interference_mm / 2, 0.0, 0.0, 0.0]).tolist()
    pressure = -(s_out[0] * a + s_out[1] * b)
    hoop_in = rows(bore, inner)[2] if bore else [inner.modulus_mpa / (1 - inner.poisson), 0.0]
    return pressure, h_out[0] * a + h_out[1] * b, hoop_in[0] * c + hoop_in[1] * d


class ShrinkFitTest(TestCase):
    # interference, joint, outside, bore of the shaft, hub, K warmer, rpm
    CASES = (
        (0.045, 38, 72, 0, STEEL, 0, 0),
        (0.045, 38, 72, 12, STEEL, 0, 0),
        (0.060, 35, 80, 12, ALUMINIUM, 0, 0),
        (0.060, 35, 80, 12, ALUMINIUM, 80, 0),
        (0.060, 35, 80, 12, ALUMINIUM, -40, 0),
        (0.018, 42, 80, 14, STEEL, 0, 0),
        (0.059, 42, 80, 14, STEEL, 0, 0),
        (0.009, 42, 80, 14, STEEL, 60, 0),
        (0.030, 25, 45, 0, STEEL, 0, 9000),
        (0.030, 25, 45, 10, STEEL, 0, 18000),
        (0.080, 60, 110, 30, STEEL, 0, 0),
        (0.080, 60, 62, 30, STEEL, 0, 0),
        (0.080, 60, 300, 59, STEEL, 0, 0),
        (0.120, 70, 140, 0, ALUMINIUM, 60, 6000),
        (0.120, 70, 140, 40, ALUMINIUM, 0, 6000),
        (0.001, 22, 40, 0, STEEL, 0, 0),
        (0.015, 22, 40, 8, ALUMINIUM, 40, 0),
        (0.035, 30, 58, 0, STEEL, 0, 12000),
        (0.035, 30, 118, 6, STEEL, 0, 11000),
        (0.050, 50, 100, 20, ALUMINIUM, 20, 3000),
    )

    def test_pressure_and_stresses_agree_with_both_bodies_solved_together(self) -> None:
        self.assertEqual(len(self.CASES), 20)
        for delta, joint, outside, inside, hub, warmer, rpm in self.CASES:
            is_light = hub is ALUMINIUM
            left = warm_interference_mm(
                interference_mm=delta,
                joint_mm=joint,
                warmer_k=warmer,
                outer_per_k=23e-6 if is_light else 11.5e-6,
                inner_per_k=11.5e-6,
            )
            left -= spun_off_mm(
                joint_mm=joint,
                outside_mm=outside,
                density_kgm3=2700 if is_light else 7850,
                rpm=rpm,
                outer=hub,
                inner_density_kgm3=7850,
                inner=STEEL,
            )
            pressure = fit_pressure_mpa(
                interference_mm=left, joint_mm=joint, outside_mm=outside, inside_mm=inside, outer=hub, inner=STEEL
            )
            with self.subTest(delta=delta, joint=joint, inside=inside, warmer=warmer, rpm=rpm):
                if left <= 0:
                    self.assertEqual(pressure, 0)
                    continue
                p, hoop, at_bore = lame_by_system(left, joint, outside, inside, hub, STEEL)
                self.assertAlmostEqual(pressure, p, delta=1e-6 * p)
                mises = math.sqrt(hoop**2 + hoop * p + p**2)
                by_sum = bore_stress_mpa(pressure_mpa=p, joint_mm=joint, outside_mm=outside)
                self.assertAlmostEqual(by_sum, mises, delta=1e-6 * mises)
                if inside:
                    found = inner_bore_hoop_mpa(pressure_mpa=p, joint_mm=joint, inside_mm=inside)
                    self.assertAlmostEqual(found, at_bore, delta=1e-6 * abs(at_bore))

    def test_speed_takes_off_what_the_disc_grows_more_than_the_shaft(self) -> None:
        """By quadrature: u(r) of a ring from σ = E ε with the body force ρ ω² r, at its bore."""
        grows = spun_off_mm(
            joint_mm=30, outside_mm=90, density_kgm3=7850, rpm=12_000, outer=STEEL, inner_density_kgm3=7850, inner=STEEL
        )
        omega, a, b, rho = 12_000 * math.pi / 30, 0.015, 0.045, 7850.0
        hoop_pa = rho * omega**2 / 4 * ((3 + 0.3) * b**2 + (1 - 0.3) * a**2)  # the only stress at a free bore
        shaft_pa = rho * omega**2 * a**2 * (1 - 0.3) / 4
        self.assertAlmostEqual(grows, 30 * (hoop_pa - shaft_pa) / 206e9, places=9)
