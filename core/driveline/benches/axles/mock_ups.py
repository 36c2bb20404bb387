"""What a mock-up shaft, cut and sleeved to find a length, has to say."""

from collections.abc import Iterator

from driveline.benches.axles.bars import STEEL
from driveline.benches.axles.sheet import Bar
from driveline.figures import fig
from driveline.fits.interference import heating_k
from driveline.sheet import positive_of, value_of


def mock_up_says(bar: Bar) -> tuple[str, ...]:
    """Return how its sleeve goes on, how true it is and what length it proved; nothing of a made bar without a log."""
    return tuple(_says(bar))


def _says(bar: Bar) -> Iterator[str]:
    own, diameter, chosen = bar.mock_up, positive_of(bar.diameter), positive_of(bar.length)
    bore, swing, proved = positive_of(own.sleeve_bore), value_of(own.runout), positive_of(own.proved)
    if bore is not None and diameter is not None:
        tight = diameter - bore
        if tight < 0:
            yield f"Its sleeve slips on with {fig(-tight, 'mm', 2)}. Four tacks, each opposite the last, then the dial."
        else:
            warmer = heating_k(interference_mm=tight, joint_mm=diameter, expansion_per_k=STEEL.expansion_per_k)
            yield f"Warm its sleeve {fig(warmer, 'K', 0)} above the bar to slip it on; boots and grease off first."
    if swing is not None:
        yield f"The dial swings {fig(swing, 'mm', 2)}: its middle stands {fig(swing / 2, 'mm', 2)} off its line."
    if proved is not None:
        said = f"It came to {fig(proved, 'mm', 1)} between the seats"
        if chosen is not None:
            off = chosen - proved
            word = "longer" if off > 0 else "shorter"
            said += f"; the bar to be made is {fig(abs(off), 'mm', 1)} {word}" if off else ", as the bar to be made"
        yield f"{said}."
