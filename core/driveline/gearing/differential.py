"""How a differential shares torque between its two sides, at the worst for the side that holds on."""

from driveline.errors import ImpossibleInput


def high_share(bias_ratio: float) -> float:
    """Return the most of the torque that limited slip by a bias ratio brings to one side, 0.5 to 1.

    Args:
        bias_ratio: Of the side that holds on to the side that slips, 1 or more.

    Raises:
        ImpossibleInput: If it is below 1.

    Source:
        B/(1 + B), ENGINEERING 2.
    """
    if not bias_ratio >= 1:
        raise ImpossibleInput("bias_ratio", bias_ratio, "1 or more")
    return bias_ratio / (1 + bias_ratio)


def clutched_high_nm(torque_nm: float, lock_nm: float) -> float:
    """Return the most that limited slip by clutches brings to one side.

    Args:
        torque_nm: Of the whole axle, 0 or more.
        lock_nm: That the clutches hold before they slip, 0 or more.

    Source:
        (T + T_lock)/2, and no more than the whole.
    """
    return min((torque_nm + lock_nm) / 2, torque_nm)
