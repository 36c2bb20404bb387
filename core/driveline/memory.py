"""What was worked out lately, by a hash of what it was worked out from: bounded, for one process.

Keys are made here and nowhere else, of everything that a function is given: a key that somebody makes by hand leaves
out, one day, the figure that mattered.
"""

import hashlib
import json
import pickle
from collections import OrderedDict
from collections.abc import Callable, Hashable, Mapping
from dataclasses import dataclass, fields, is_dataclass
from functools import wraps
from threading import Lock
from typing import Any, Generic, ParamSpec, TypeVar
from weakref import WeakSet

import numpy as np
from pydantic import BaseModel

P = ParamSpec("P")
T = TypeVar("T")
_PLAIN = (str, bytes, int, float, bool, type(None))


def key_of(*given: object) -> str:
    """Return a hash of everything given. Equal hashes mean equal things; equal things may hash differently.

    Sheets go by what is entered in them, all else by its pickle.
    """
    made = hashlib.blake2b(digest_size=12)
    for one in given:
        made.update(_bytes_of(one))
        made.update(b"\0")
    return made.hexdigest()


def _bytes_of(one: object) -> bytes:
    if isinstance(one, BaseModel):
        return one.__pydantic_serializer__.to_json(one)
    return one.encode() if isinstance(one, str) else pickle.dumps(one, protocol=5)


def mark_of(one: object) -> Hashable:
    """Return what tells a thing from every other: by its own ``mark``, else by all that it is made of.

    Raises:
        TypeError: For a function: what it would do can't be told from outside. ``Aside`` says that nothing hangs on it.
    """
    if isinstance(one, _PLAIN):
        return type(one), one
    if isinstance(one, np.ndarray):
        return one.dtype.str, one.shape, hashlib.blake2b(one.tobytes(), digest_size=12).digest()
    mark = getattr(one, "mark", None)
    if mark is not None:
        return type(one), mark
    if isinstance(one, BaseModel):
        return type(one), key_of(one)
    if is_dataclass(one) and not isinstance(one, type):
        return type(one), tuple(mark_of(getattr(one, field.name)) for field in fields(one))
    if isinstance(one, tuple | list):
        return type(one), tuple(mark_of(each) for each in one)
    if isinstance(one, Mapping):
        return dict, tuple((mark_of(name), mark_of(each)) for name, each in one.items())
    if callable(one) and not isinstance(one, type):
        raise TypeError(f"{one!r} can't be told from other functions")
    return type(one), key_of(one)


@dataclass(frozen=True, slots=True)
class Told(Generic[T]):
    """A thing with the mark that tells it from all others, made once: a function that is kept is given the thing."""

    value: T
    mark: Hashable


def told(value: T) -> Told[T]:
    """Return a thing with its mark, for one that is handed to several functions that are kept."""
    return Told(value, key_of(value))


class Same(Generic[T]):
    """A thing told from all others by being itself, and held for as long as it counts."""

    def __init__(self, value: T) -> None:
        self.value = value

    @property
    def mark(self) -> Hashable:
        """Itself: no other can take its place while it is held."""
        return self

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Same) and other.value is self.value

    def __hash__(self) -> int:
        return id(self.value)


class Aside(Generic[T]):
    """What a function works with and its answer does not hang on, such as how its work is spread."""

    mark = "aside"

    def __init__(self, value: T) -> None:
        self.value = value


_ALL: WeakSet["Memory"] = WeakSet()


def forget_everything() -> None:
    """Keep nothing anywhere: for a measurement from cold, or where what things are worked out by is changed."""
    for memory in _ALL:
        memory.forget()


def read_once(memory: "Memory", kind: str) -> Callable[[object, Callable[[object], T]], T]:
    """Return how pydantic is to read a large sheet: what was read lately is not read again.

    Reading a sheet takes longer than solving many a bench, and a keystroke changes one small part of one sheet.
    """

    def read(entered: object, validate: Callable[[object], T]) -> T:
        if not isinstance(entered, dict):
            return validate(entered)
        try:
            key = key_of(json.dumps(entered))
        except (TypeError, ValueError):
            return validate(entered)
        return memory.remembered(("sheet", kind, key), lambda: validate(entered))

    return read


class AsAsked(dict[str, T]):
    """What is made when it is first asked for: what nobody asks for is never made."""

    def __init__(self, make: Callable[[str], T]) -> None:
        super().__init__()
        self._make = make

    def __missing__(self, key: str) -> T:
        """Make it now."""
        made = self[key] = self._make(key)
        return made


class Memory:
    """Remembers so many things, those used last. Two threads may work the same thing out twice; both get it right."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._kept: OrderedDict[Hashable, Any] = OrderedDict()
        self._lock = Lock()
        _ALL.add(self)

    def of(self, make: Callable[..., T], *given: object, **named: object) -> T:
        """Return what a function makes of what it is given, kept by all of that."""
        bare = {name: _bare(one) for name, one in named.items()}
        return self.remembered(_call_key(make, given, named), lambda: make(*map(_bare, given), **bare))

    def told(self, make: Callable[..., T], *given: object, **named: object) -> Told[T]:
        """Return the same with its mark: that of the function and of all that it was given."""
        return Told(self.of(make, *given, **named), key_of(_call_key(make, given, named)))

    def remembered(self, key: Hashable, make: Callable[[], T]) -> T:
        """Return what is kept under the key, or else made now. What could not be made is not kept."""
        with self._lock:
            if key in self._kept:
                self._kept.move_to_end(key)
                kept: T = self._kept[key]
                return kept
        made = make()
        with self._lock:
            self._kept[key] = made
            while len(self._kept) > self._most:
                self._kept.popitem(last=False)
        return made

    def __len__(self) -> int:
        """Return how many things it remembers now."""
        return len(self._kept)

    def forget(self) -> None:
        """Keep nothing."""
        with self._lock:
            self._kept.clear()


def _bare(one: object) -> Any:
    return one.value if isinstance(one, Told | Same | Aside) else one


def _call_key(make: Callable[..., object], given: tuple[object, ...], named: Mapping[str, object]) -> Hashable:
    function = (make.__module__, make.__qualname__)
    marks = tuple(mark_of(one) for one in given), tuple((name, mark_of(named[name])) for name in sorted(named))
    return function, marks


def kept(most: int) -> Callable[[Callable[P, T]], Callable[P, T]]:
    """Return a decorator under which a function remembers what it made lately, by all that it was given.

    Args:
        most: How many answers are kept, those used last.
    """

    def of(make: Callable[P, T]) -> Callable[P, T]:
        memory = Memory(most)

        @wraps(make)
        def remembering(*given: P.args, **named: P.kwargs) -> T:
            return memory.of(make, *given, **named)

        return remembering

    return of
