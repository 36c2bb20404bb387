"""A job whose readings are moved: what its margins come to, again and again."""

import copy
from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass

from driveline.errors import ImpossibleInput, NotWantedAnyMore
from driveline.job.places import Path, with_moved
from driveline.job.registry import JobFileBase, Registry
from driveline.memory import Memory

Margins = Mapping[str, float | None]  # by check
Steps = tuple[tuple[Path, float], ...]  # readings by where they are, each with how far it is moved
Work = Callable[[Sequence[Steps], Collection[str] | None], list[Margins]]


@dataclass(frozen=True, slots=True)
class Mover:
    """A job whose readings are moved, as long as somebody wants to know."""

    registry: Registry
    job: JobFileBase
    is_wanted: Callable[[], bool]

    @classmethod
    def apart(cls, registry: Registry, job: JobFileBase, is_wanted: Callable[[], bool] = lambda: True) -> "Mover":
        """Return one that leaves alone what the registry remembers: that was worked out for the screen."""
        own = copy.copy(registry)
        own.memory = Memory(40)
        return cls(own, job, is_wanted)

    def many(self, moves: Sequence[Steps], benches: Collection[str] | None) -> list[Margins]:
        """Return the margins with each of several moves made, of the checks of some benches or of all.

        Raises:
            NotWantedAnyMore: If it was given up.
        """
        return [self._margins(steps, benches) for steps in moves]

    def _margins(self, steps: Steps, benches: Collection[str] | None) -> Margins:
        """The margins with readings moved; none of them where one can't be moved so far."""
        if not self.is_wanted():
            raise NotWantedAnyMore
        try:
            sheets = with_moved(self.job.sheets, steps)
            found = self.registry.own_checks(self.job.model_copy(update={"sheets": sheets}), benches)
        except (ImpossibleInput, ValueError):
            return {}
        return {check.key: check.margin for check in found}
