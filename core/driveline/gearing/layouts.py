"""What each layout has and has not, between motor and wheels: said here, once."""

from typing import Final

from driveline.gearing.sheets import Layout

UNITS: Final = frozenset({Layout.AXLE_UNIT, Layout.CENTRE_UNIT, Layout.TWO_UNITS})  # the motor's own reduction
KEPT_BOX: Final = frozenset({Layout.KEPT_GEARBOX, Layout.KEPT_TRANSAXLE})  # gears that are kept
DIFFERENTIAL_IN_CASING: Final = frozenset({Layout.AXLE_UNIT, Layout.TWO_UNITS, Layout.KEPT_TRANSAXLE})
ONE_AXLE: Final = frozenset({Layout.AXLE_UNIT, Layout.KEPT_TRANSAXLE})
OWN_FINAL_DRIVE: Final = frozenset(set(Layout) - {Layout.AXLE_UNIT, Layout.TWO_UNITS})  # apart from a unit's reduction


def layouts_for_screens() -> dict[str, dict[str, bool]]:
    """Return what each layout has, by its key, for a screen that asks only for what is there."""
    return {
        str(layout): {
            "unit": layout in UNITS,
            "kept_box": layout in KEPT_BOX,
            "propshaft": has_propshaft(layout),
            "final_drive": layout in OWN_FINAL_DRIVE,
        }
        for layout in Layout
    }


def has_propshaft(layout: Layout) -> bool:
    """Say whether what leaves the motor's casing goes along the vehicle to a final drive of its own."""
    return layout not in DIFFERENTIAL_IN_CASING
