"""Defaults in use and work still to do, gathered while a sheet is made ready."""

from driveline.benches.common import Assumed, ToDo


class Notes:
    """Defaults and work to do, gathered on the way."""

    def __init__(self) -> None:
        self.assumed: list[Assumed] = []
        self.to_do: list[ToDo] = []
        self.queries: list[str] = []

    def default(self, value: float | None, field: str, default: float, text: str) -> float:
        """Return the value entered, or the default, noted as one."""
        if value is not None:
            return value
        self.assumed.append(Assumed(field=field, text=text))
        return default

    def need(self, is_known: bool, field: str, text: str) -> bool:
        """Note what is still to do unless it is known."""
        if not is_known:
            self.to_do.append(ToDo(field=field, text=text))
        return is_known
