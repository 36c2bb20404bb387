"""What the screen shows of axles and propshafts."""

import math
from collections.abc import Iterator
from dataclasses import replace
from typing import Final

import numpy as np
from shapely import MultiPoint

from driveline.arrays import Floats
from driveline.benches.axles.adapters import AdapterFound, circle_mm
from driveline.benches.axles.axle_checks import SideFound, height_words
from driveline.benches.axles.bar_checks import high_nm
from driveline.benches.axles.bars import STEEL, twist_deg
from driveline.benches.axles.ends import End, xyz
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.mock_ups import mock_up_says
from driveline.benches.axles.posing import squared_speed
from driveline.benches.axles.results import (
    AdapterShown,
    AxleShown,
    CaseShown,
    HeightRow,
    LineShown,
    PropJointShown,
    SideShown,
    TiltPoint,
    TradePoint,
    TubeShown,
    TwistShown,
    WindowPoint,
    WindowShown,
)
from driveline.benches.axles.sheet import Axle, JointKind
from driveline.benches.axles.through_travel import Travelling, traded
from driveline.benches.axles.tube_checks import critical_of, longest_mm
from driveline.cardan.chains import Chain, best_twists, exact_of_lines_rad_s2, exact_rad_s2, rule_rad_s2
from driveline.cardan.lines import (
    COMFORTABLE_RAD_S2,
    MOST_AT_DRIVEN_END_RAD_S2,
    cross_couples_nm,
    cv_couple_nm,
)
from driveline.cardan.wound import nose_up
from driveline.checks import Check, worst_verdict
from driveline.figures import fig
from driveline.sheet import positive_of, value_of
from driveline.suspension.travel import Scan, outers_mm, scan_travel

TILTED_DEG: Final = tuple(float(one) for one in np.arange(-4.0, 4.01, 0.5))
A_DEGREE_MM: Final = 1 / math.tan(math.radians(1))  # of pad, for a shim of 1 mm
FEW_HEIGHTS: Final = 15
LOCKS_APART: Final = 2
SURE: Final = 1.96  # standard uncertainties in which 95 of 100 lie
WORTH_IT: Final = 0.9  # of what is left as it is
SIDEWAYS: Final = np.array([0.0, 1.0, 0.0])
UPWARD: Final = np.array([0.0, 0.0, 1.0])


def axle_shown(axle: Axle, k: int, sides: tuple[SideFound, SideFound], checks: tuple[Check, ...]) -> AxleShown:
    """Return an axle as it is shown."""
    left, right = (_side(one, checks) for one in sides)
    twists = [one.twist_deg for one in (left, right) if one.twist_deg is not None]
    return AxleShown(
        field=f"axles.axles.{k}",
        name=axle.name,
        station=sides[0].station,
        left=left,
        right=right,
        twist_apart_deg=abs(twists[0] - twists[1]) if len(twists) == 2 else None,
    )


def _side(one: SideFound, checks: tuple[Check, ...]) -> SideShown:
    travel, bar, end = one.travel, one.side.bar, one.found.end
    own = [check for check in checks if check.key.startswith(f"{one.key}.")]
    torque = high_nm(one)
    ride_deg = travel.ride_deg() if travel else None
    tightest = travel.tightest if travel else None
    traded_left, traded_up = _traded(travel)
    return SideShown(
        field=one.field,
        key=one.key,
        name=one.name,
        inner_mm=None if end is None else xyz(end.corner.inner_mm),
        missing=one.found.missing,
        misses_mm=() if end is None else tuple(round(float(miss), 2) for miss in end.corner.arc.misses_mm),
        radius_mm=None if end is None else end.corner.arc.radius_mm,
        radius_either_way_mm=_radius_either_way_mm(end),
        heights=_heights(travel) if travel else (),
        cases=tuple(_cases(travel)) if travel else (),
        window=_window(travel) if travel else None,
        best_bar_mm=travel.best_bar_mm if travel else None,
        chosen_bar_mm=positive_of(bar.length),
        left_mm=tightest.left_mm if tightest else None,
        worst=height_words(tightest.at) if tightest else "",
        strap_mm=travel.strap_mm if travel else None,
        strap_buys_deg=_strap_buys(travel),
        sideways=traded_left,
        upward=traded_up,
        torque_nm=torque,
        twist_deg=None if torque is None else twist_deg(bar, torque),
        couples_nm=None
        if torque is None or ride_deg is None
        else (cv_couple_nm(torque, ride_deg[0]), cv_couple_nm(torque, ride_deg[1])),
        mass_kg=_mass_kg(one),
        mock_up=mock_up_says(bar),
        verdict=worst_verdict(own) if own else None,
    )


def _radius_either_way_mm(end: End | None) -> float | None:
    u_mm = end.sureness.radius_u_mm if end is not None and end.sureness is not None else None
    return None if u_mm is None else SURE * u_mm


def _unit(line: Floats) -> tuple[float, float, float]:
    x, y, z = (round(float(one), 5) for one in line / np.linalg.norm(line))
    return x, y, z


def _mass_kg(one: SideFound) -> float | None:
    length, outside, bore = (value_of(size) for size in (one.side.bar.length, one.side.bar.diameter, one.side.bar.bore))
    if length is None or outside is None or bore is None:
        return None
    return float(np.pi / 4 * (outside**2 - bore**2) * length * 1e-9 * STEEL.density_kgm3)


def _heights(travel: Travelling) -> tuple[HeightRow, ...]:
    """Straight ahead, the unit at rest, at every height."""
    scan, lock = travel.scan, travel.lock_ahead
    ahead_mm = outers_mm(travel.end.corner, scan.heights_mm, scan.locks_deg[[lock]])[:, 0]
    return tuple(_rows(travel, scan, lock, 0, ahead_mm))


def _cases(travel: Travelling) -> Iterator[CaseShown]:
    """Each lock with each load, at heights enough to be looked at."""
    end = travel.end
    locks = end.locks_deg[:: LOCKS_APART if len(end.locks_deg) > 1 else 1]
    locks = np.union1d(locks, [0.0])
    scan = scan_travel(
        end.corner, end.heights_mm(end.droop_mm, FEW_HEIGHTS), locks, end.moves.shifts_mm, end.moves.turns
    )
    outers = outers_mm(end.corner, scan.heights_mm, scan.locks_deg)
    for lock, lock_deg in enumerate(locks.tolist()):
        for move, load in enumerate(end.moves.names):
            yield CaseShown(
                lock_deg=round(lock_deg, 2),
                load=load,
                inner_mm=xyz(end.corner.inner_mm + end.moves.shifts_mm[move]),
                heights=tuple(_rows(travel, scan, lock, move, outers[:, lock])),
            )


def _rows(travel: Travelling, scan: Scan, lock: int, move: int, outers: Floats) -> Iterator[HeightRow]:
    middle, corner, sure = travel.middle_mm, travel.end.corner, travel.end.sureness
    lengths = scan.length_mm[:, lock, move]
    either_way = None
    if sure is not None:
        ways = (outers - (corner.inner_mm + scan.moves_mm[move])) / lengths[:, None]
        either_way = SURE * np.sqrt(np.einsum("ni,nij,nj->n", ways, sure.covariance_mm2(outers), ways))
    columns = (scan.heights_mm, lengths, scan.inner_deg[:, lock, move], scan.outer_deg[:, lock, move])
    shown = np.round(np.column_stack((*columns, outers)), 2).tolist()
    for row, (height, length, inner, outer, *place) in enumerate(shown):
        yield HeightRow(
            height_mm=height,
            length_mm=length,
            either_way_mm=None if either_way is None else round(float(either_way[row]), 2),
            plunge_mm=None if middle is None else round(float(lengths[row]) - middle, 2),
            inner_deg=inner,
            outer_deg=outer,
            outer_mm=xyz(place),
        )


def _window(travel: Travelling) -> WindowShown | None:
    middle, envelope, tightest = travel.middle_mm, travel.envelope, travel.tightest
    if middle is None or envelope is None or tightest is None:
        return None
    plunge, angle = (travel.scan.length_mm - middle).ravel(), travel.scan.inner_deg.ravel()
    hull = MultiPoint(np.column_stack((plunge, angle))).convex_hull
    edge = hull.exterior.coords if hull.geom_type == "Polygon" else hull.coords
    return WindowShown(
        plunge_mm=envelope.plunge_mm,
        bent_mm=envelope.bent_mm,
        angle_deg=envelope.angle_deg,
        outline=tuple(WindowPoint(plunge_mm=round(x, 2), inner_deg=round(y, 2)) for x, y in edge),
        worst=WindowPoint(plunge_mm=round(tightest.at.value - middle, 2), inner_deg=round(tightest.inner_deg, 2)),
    )


def _strap_buys(travel: Travelling | None) -> float | None:
    """By how much less the inner joint bends with the strap that is set."""
    if travel is None or travel.end.droop_mm >= travel.end.unstrapped_mm:
        return None
    end = travel.end
    whole = scan_travel(
        end.corner, end.heights_mm(end.unstrapped_mm), end.locks_deg, end.moves.shifts_mm, end.moves.turns
    )
    return float(whole.inner_deg.max() - travel.scan.inner_deg.max())


def _traded(travel: Travelling | None) -> tuple[tuple[TradePoint, ...], tuple[TradePoint, ...]]:
    if travel is None or travel.envelope is None:
        return (), ()
    return traded(travel.end, travel.envelope, SIDEWAYS), traded(travel.end, travel.envelope, UPWARD)


def line_shown(one: LineFound, checks: tuple[Check, ...]) -> LineShown:
    """Return a line of propshafts as it is shown."""
    rpm = one.rpm
    chain = one.at_ride
    is_known = chain is not None and rpm is not None and not one.twist_missing
    own = [check for check in checks if check.key.startswith(f"{one.key}.")]
    torque, worst = one.load.design_nm if one.load else None, one.worst_drive
    return LineShown(
        field=one.field,
        key=one.key,
        name=one.line.name,
        station=one.station,
        missing=(*one.ends_missing, *one.twist_missing),
        rpm=rpm,
        box_line=_unit(chain.lines[0]) if chain else None,
        pinion_line=_unit(chain.lines[-1]) if chain else None,
        joints=tuple(_joints(one, chain if is_known else None, rpm)),
        tubes=tuple(_tubes(one, chain if is_known else None, rpm)),
        worst_rad_s2=None if worst is None else worst[1],
        worst_in="" if worst is None else worst[0].name,
        exact_rad_s2=float(one.drives[0, -1]) * squared_speed(rpm) if is_known and chain and rpm else None,
        rule_rad_s2=float(rule_rad_s2(chain, rpm)[-1]) if is_known and chain and rpm else None,
        comfortable_rad_s2=COMFORTABLE_RAD_S2,
        most_rad_s2=MOST_AT_DRIVEN_END_RAD_S2,
        even=next((check.verdict for check in own if check.key == f"{one.key}.even"), None),
        best_twist=_best_twist(chain, rpm) if is_known and chain and rpm else None,
        best_tilt=_best_tilt(chain, rpm) if is_known and chain and rpm else None,
        shim_says=f"A shim of {fig(1, 'mm', 0)} under {fig(A_DEGREE_MM, 'mm', 0)} of pad is a degree.",
        couples_nm=None
        if torque is None or chain is None or not chain.is_cross[0]
        else cross_couples_nm(torque, float(chain.angles_deg[0])),
        verdict=worst_verdict(own) if own else None,
    )


def _joints(one: LineFound, chain: Chain | None, rpm: float | None) -> Iterator[PropJointShown]:
    if one.joints_mm is None:
        return
    for j, joint in enumerate(one.line.joints):
        even = None
        if chain is not None and rpm is not None and joint.kind is JointKind.CROSS:
            kinds = tuple(k != j and is_cross for k, is_cross in enumerate(chain.is_cross))
            even = float(exact_rad_s2(replace(chain, is_cross=kinds), rpm)[-1])
        yield PropJointShown(
            at_mm=xyz(one.joints_mm[j]),
            kind=joint.kind.value if joint.kind else None,
            angle_deg=float(one.at_ride.angles_deg[j]) if one.at_ride else None,
            greatest_deg=float(one.swept.angles_deg[:, j].max()) if one.swept and one.posed else None,
            if_cv_rad_s2=even,
        )


def _tubes(one: LineFound, chain: Chain | None, rpm: float | None) -> Iterator[TubeShown]:
    rides = one.rides_mm
    if rides is None or one.swept is None:
        return
    drive = coast = None
    if chain is not None and rpm is not None:
        drive = one.drives[0, :-1] * squared_speed(rpm)
        coast = one.coasts[0, 1:] * squared_speed(rpm)
    for j, tube in enumerate(one.line.tubes):
        slip = one.slips.get(j)
        yield TubeShown(
            length_mm=float(rides[j]),
            longest_mm=longest_mm(one, j) or float(rides[j]),
            critical_rpm=critical_of(one, j, tube),
            phasing_deg=value_of(tube.phasing),
            in_mm=slip.in_mm if slip else None,
            out_mm=slip.out_mm if slip else None,
            drive_rad_s2=None if drive is None else float(drive[j]),
            coast_rad_s2=None if coast is None else float(coast[j]),
        )


def _best_twist(chain: Chain, rpm: float) -> TwistShown | None:
    """The twist of one shaft's yokes that leaves least; ``None`` where it buys little."""
    best = min(best_twists(chain, rpm), key=lambda twist: twist.left_rad_s2, default=None)
    if best is None or best.left_rad_s2 > WORTH_IT * float(exact_rad_s2(chain, rpm)[-1]):
        return None
    return TwistShown(shaft=best.shaft, phasing_deg=round(best.phasing_deg, 1), left_rad_s2=best.left_rad_s2)


def _best_tilt(chain: Chain, rpm: float) -> TiltPoint | None:
    """The tilt of the pinion that leaves least; ``None`` where it buys little."""
    lines = np.array([(*chain.lines[:-1], nose_up(chain.lines[-1], by)) for by in TILTED_DEG])
    left = exact_of_lines_rad_s2(chain, lines, rpm)[:, -1]
    least = int(left.argmin())
    best = TiltPoint(nose_up_deg=TILTED_DEG[least], left_rad_s2=round(float(left[least]), 2))
    return None if best.left_rad_s2 > WORTH_IT * float(exact_rad_s2(chain, rpm)[-1]) else best


def adapter_shown(one: AdapterFound, checks: tuple[Check, ...]) -> AdapterShown:
    """Return a flange adapter as it is shown."""
    own = [check for check in checks if check.key.startswith((f"{one.key}.", f"{one.key}_"))]
    return AdapterShown(
        field=one.field,
        name=one.adapter.name,
        part="" if one.part is None else one.part.key,
        circles_mm=(circle_mm(one.adapter.shaft), circle_mm(one.adapter.away)),
        verdict=worst_verdict(own) if own else None,
    )
