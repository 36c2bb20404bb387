"""A check: one thing that must hold, with its margin, its verdict and its working."""

from collections.abc import Sequence
from enum import StrEnum

from pydantic import BaseModel, ConfigDict, PrivateAttr, computed_field

from driveline.working import MakeWorking, Working


class Result(BaseModel):
    """Base of everything the core hands out: frozen, complete, and free of NaN and infinity."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)


class Verdict(StrEnum):
    """The four states of a check."""

    HOLDS = "holds"
    TIGHT = "tight"
    FAILS = "fails"
    NOT_KNOWN = "not_known"


WORST_FIRST = (Verdict.FAILS, Verdict.NOT_KNOWN, Verdict.TIGHT, Verdict.HOLDS)
RANK_STEP = 1e6
GREATEST_SHARE = 0.9 * RANK_STEP
TIGHT_SHARE = 1.1  # within 10 % of the wanted margin is tight


class Check(Result):
    """One thing that must hold, with what it takes to believe it.

    ``capacity / demand`` is the margin. Where more is worse on the capacity's side, the
    check turns its figures so that the margin still grows with safety, and says so.
    While something is ``missing``, figures that stand there all the same are the best that can be: they may fail,
    they never hold. A question has ``is_so`` instead of figures.
    """

    key: str  # "gearbox.input_torque": stored and linked to, so never renamed
    bench: str
    title: str
    demand: float | None  # None: not measured or chosen yet; ``missing`` says what to do
    capacity: float | None
    is_so: bool | None = None  # of a question with a yes or a no, which has no margin
    has_catch: bool = False  # yes, but: the maker or somebody else must be asked
    unit: str
    wanted_margin: float
    wanted_is_default: bool = True
    wanted_kind: str = ""  # of the job's wanted margins; a question has none
    says: str  # one sentence with the figures, in the trade's words
    missing: tuple[str, ...] = ()
    inputs: tuple[str, ...] = ()  # the fields of the sheets it hangs on
    station: str | None = None
    guards_release: bool = False  # a part is not released while it fails, unless somebody says why
    _make_working: MakeWorking = PrivateAttr(default=Working)

    def with_working(self, make: MakeWorking) -> "Check":
        """Return the check itself, knowing how to write its working: most of them are never opened."""
        self._make_working = make
        return self

    @property
    def working(self) -> Working:
        """Its working, written now."""
        return self._make_working()

    @computed_field  # type: ignore[prop-decorator]
    @property
    def margin(self) -> float | None:
        """Capacity over demand; ``None`` when not known or nothing is asked."""
        if self.demand is None or self.capacity is None or self.demand == 0:
            return None
        return self.capacity / self.demand

    @computed_field  # type: ignore[prop-decorator]
    @property
    def verdict(self) -> Verdict:
        """The one place where numbers become a word. A demand below nought is a case that can't stand: it fails."""
        if self.is_so is not None:
            if not self.is_so:
                return Verdict.FAILS
            return Verdict.NOT_KNOWN if self.missing else Verdict.TIGHT if self.has_catch else Verdict.HOLDS
        if self.demand is None or self.capacity is None:
            return Verdict.NOT_KNOWN
        wanted = self.demand * self.wanted_margin * (1 - 1e-12)  # a product, since demand may be 0; 1.1 × 100 > 110
        if self.demand < 0 or self.capacity < wanted:
            return Verdict.FAILS
        if self.missing:
            return Verdict.NOT_KNOWN
        return Verdict.HOLDS if self.capacity >= TIGHT_SHARE * wanted else Verdict.TIGHT

    @computed_field  # type: ignore[prop-decorator]
    @property
    def holds_release(self) -> bool:
        """Whether a release waits for somebody to say why the part goes out all the same."""
        return self.guards_release and self.verdict is Verdict.FAILS

    @computed_field  # type: ignore[prop-decorator]
    @property
    def rank(self) -> float:
        """Where it stands in a list, the least first: by verdict, then by its share of the wanted margin."""
        share = self.margin / self.wanted_margin if self.margin is not None else GREATEST_SHARE
        return WORST_FIRST.index(self.verdict) * RANK_STEP + min(share, GREATEST_SHARE)

    def not_known(self, missing: tuple[str, ...], says: str) -> "Check":
        """Return the check with nothing to judge: what it hangs on is missing."""
        nothing = {"demand": None, "capacity": None, "is_so": None, "missing": missing, "says": says}
        return self.model_copy(update=nothing).with_working(lambda: Working(source=self.working.source))


def worst_first(checks: Sequence[Check]) -> tuple[Check, ...]:
    """Return the checks, failing ones first and the least share of the wanted margin first within each."""
    return tuple(sorted(checks, key=lambda check: check.rank))


def worst_verdict(checks: Sequence[Check]) -> Verdict:
    """Return the worst verdict of the checks; ``not_known`` when there are none."""
    return min((check.verdict for check in checks), key=WORST_FIRST.index, default=Verdict.NOT_KNOWN)
