"""What a scan's file is, and whether it can be what it says: looked at before a byte of it is parsed."""

from collections.abc import Callable
from pathlib import Path
from typing import Final

from driveline.reading.csv_in import UnreadableFile
from driveline.words import Choice

MOST_BYTES: Final = 300_000_000
MOST_TRIANGLES: Final = 2_000_000
MOST_STEP_BYTES: Final = 60_000_000
HEAD_BYTES: Final = 65_536
STL_HEAD: Final = 84
STL_EACH: Final = 50
_PLY_SIZES: Final = {
    **dict.fromkeys(("char", "uchar", "int8", "uint8"), 1),
    **dict.fromkeys(("short", "ushort", "int16", "uint16"), 2),
    **dict.fromkeys(("int", "uint", "float", "int32", "uint32", "float32"), 4),
    **dict.fromkeys(("double", "float64"), 8),
}
SAVE_AGAIN: Final = "Save it again from the scanner's program as STL, OBJ or PLY."


class Kind(Choice):
    """A format that comes in."""

    STL = "stl", "STL"
    OBJ = "obj", "OBJ"
    PLY = "ply", "PLY"
    STEP = "step", "STEP"


_ENDINGS: Final = {"stl": Kind.STL, "obj": Kind.OBJ, "ply": Kind.PLY, "step": Kind.STEP, "stp": Kind.STEP}


def kind_of_name(name: str) -> Kind:
    """Return what a file is by its ending.

    Raises:
        UnreadableFile: If it is none that comes in.
    """
    ending = name.rpartition(".")[2].lower() if "." in name else ""
    found = _ENDINGS.get(ending)
    if found is None:
        raise UnreadableFile(name, f"{name or 'The file'} is no STL, OBJ, PLY or STEP.", SAVE_AGAIN)
    return found


def looked_at(path: Path, name: str) -> Kind:
    """Return what a file is; what it says of itself agrees with its size and its ending.

    Args:
        path: Where it lies.
        name: As it was called where it came from.

    Raises:
        UnreadableFile: If it can't be what it is called, is cut short, or claims what it does not hold.
    """
    kind, size = kind_of_name(name), path.stat().st_size
    if size > MOST_BYTES:
        raise UnreadableFile(name, f"{name} has {size / 1e6:.0f} MB; up to 300 can be taken.", "Thin the scan first.")
    with path.open("rb") as file:
        head = file.read(HEAD_BYTES)
        file.seek(max(size - 1024, 0))
        tail = file.read()
    if not head:
        raise UnreadableFile(name, f"{name} is empty.", SAVE_AGAIN)
    if head[:2] in (b"PK", b"\x1f\x8b"):
        raise UnreadableFile(name, f"{name} is packed.", "Unpack it, and bring the file that is in it.")
    _LOOKS[kind](path, name, size, head, tail)
    return kind


def _wrong(name: str, what: str) -> UnreadableFile:
    return UnreadableFile(name, f"{name}: {what}.", SAVE_AGAIN)


def _many(name: str, count: int) -> UnreadableFile:
    problem = f"{name} has {count / 1e6:.1f} million triangles; up to 2 million can be taken."
    return UnreadableFile(name, problem, "Thin the scan, or crop it to the room that matters.")


def _stl(path: Path, name: str, size: int, head: bytes, tail: bytes) -> None:
    if is_text_stl(head):
        if b"endsolid" not in tail:
            raise _wrong(name, "the file is cut short, its last line is missing")
        facets, ends = counted(path, (b"endloop", b"endfacet"))
        if facets != ends or not facets:
            raise _wrong(name, "it has no triangles" if not facets else "a triangle in it is not finished")
        if facets > MOST_TRIANGLES:
            raise _many(name, facets)
        return
    if size < STL_HEAD:
        raise _wrong(name, "this is no STL")
    count = int.from_bytes(head[80:84], "little")
    if count == 0:
        raise _wrong(name, "it has no triangles")
    if STL_HEAD + STL_EACH * count != size:
        holds = max(size - STL_HEAD, 0) // STL_EACH
        raise _wrong(name, f"it says it has {count} triangles and holds {holds}")
    if count > MOST_TRIANGLES:
        raise _many(name, count)


def is_text_stl(head: bytes) -> bool:
    """Say whether an STL is written out in words."""
    return head.lstrip()[:5].lower() == b"solid" and b"facet" in head.lower() and b"\0" not in head


def _obj(path: Path, name: str, _size: int, head: bytes, tail: bytes) -> None:
    if b"\0" in head or b"\0" in tail:
        raise _wrong(name, "this is no text, as an OBJ is")
    corners, faces = counted(path, (b"\nv ", b"\nf "))
    if not (corners or head.startswith(b"v ")) or not faces:
        raise _wrong(name, "it has no triangles")
    if faces > MOST_TRIANGLES:
        raise _many(name, faces)


def _ply(path: Path, name: str, size: int, head: bytes, _tail: bytes) -> None:
    if not head.startswith(b"ply"):
        raise _wrong(name, "this is no PLY")
    end = head.find(b"end_header")
    if end < 0:
        raise _wrong(name, "its head does not end")
    lines = head[:end].decode("ascii", errors="replace").split("\n")
    is_text = any(line.startswith("format ascii") for line in lines)
    body = size - (head.find(b"\n", end) + 1)
    counts, needs = _ply_needs(name, lines, is_text=is_text)
    if not counts.get("face") or not counts.get("vertex"):
        raise _wrong(name, "it has no triangles")
    if counts["face"] > MOST_TRIANGLES:
        raise _many(name, counts["face"])
    if needs > body:
        raise _wrong(name, f"its head claims {needs} bytes or more and {body} follow")
    if is_text and counted(path, (b"\n",))[0] + 1 < len(lines) + sum(counts.values()):
        raise _wrong(name, "it has fewer lines than its head claims")


def _ply_needs(name: str, lines: list[str], *, is_text: bool) -> tuple[dict[str, int], int]:
    """How many there are of each element, and the least that they can take, bytes."""
    counts: dict[str, int] = {}
    needs, element = 0, ""
    for line in lines:
        words = line.split()
        if len(words) == 3 and words[0] == "element" and words[2].isdigit() and len(words[2]) < 12:
            element = words[1]
            counts[element] = int(words[2])
        elif words[:1] == ["element"]:
            raise _wrong(name, f"its head is not clear: “{line.strip()[:60]}”")
        elif words[:1] == ["property"] and element:
            needs += counts[element] * _least_bytes(words, is_text=is_text)
    return counts, needs


def _least_bytes(words: list[str], *, is_text: bool) -> int:
    """What a property takes at the least; a list of corners holds three."""
    if words[1] == "list" and len(words) == 5:
        sizes = [1, 1] if is_text else [_PLY_SIZES.get(word, 1) for word in words[2:4]]
        return sizes[0] + (3 * sizes[1] if words[4].startswith("vertex_ind") else 0)
    return 1 if is_text else _PLY_SIZES.get(words[1], 1)


def _step(_path: Path, name: str, size: int, head: bytes, tail: bytes) -> None:
    if b"ISO-10303-21" not in head[:1024]:
        raise _wrong(name, "this is no STEP")
    if b"END-ISO-10303-21" not in tail:
        raise _wrong(name, "the file is cut short, its last line is missing")
    if size > MOST_STEP_BYTES:
        raise UnreadableFile(
            name, f"{name} has {size / 1e6:.0f} MB.", "Of a solid up to 60 can be taken: leave parts out."
        )


def counted(path: Path, marks: tuple[bytes, ...]) -> list[int]:
    """Return how often each mark stands in a file, a piece of it at a time.

    Args:
        path: Of the file.
        marks: To look for; none longer than 32 bytes.
    """
    found, rest = [0] * len(marks), b""
    with path.open("rb") as file:
        while piece := file.read(4_000_000):
            joined = rest + piece
            for k, mark in enumerate(marks):
                # A mark that lay wholly in what was kept back was counted with the piece before.
                found[k] += joined.count(mark) - rest.count(mark)
            rest = joined[-31:]
    return found


_LOOKS: Final[dict[Kind, Callable[[Path, str, int, bytes, bytes], None]]] = {
    Kind.STL: _stl,
    Kind.OBJ: _obj,
    Kind.PLY: _ply,
    Kind.STEP: _step,
}
