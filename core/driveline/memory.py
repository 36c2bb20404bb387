"""What was worked out lately, by a hash of what it was worked out from: bounded, for one process."""

import hashlib
import json
import pickle
from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Any, TypeVar
from weakref import WeakSet

from pydantic import BaseModel

T = TypeVar("T")


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
        return memory.remembered(f"sheet {kind} {key}", lambda: validate(entered))

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
