"""What is remembered is told apart by everything that it was made of."""

from dataclasses import dataclass
from unittest import TestCase

import numpy as np

from driveline.arrays import Floats
from driveline.memory import Aside, Memory, Same, kept, mark_of, told
from driveline.sheet import Length


@dataclass(frozen=True)
class Stand:
    name: str
    at_mm: Floats


class MemoryTest(TestCase):
    def test_a_change_of_any_argument_is_another_answer(self) -> None:
        made: list[object] = []

        @kept(20)
        def answer(stand: Stand, length: Length | None = None, *, deep: bool = False) -> int:
            made.append((stand, length, deep))
            return len(made)

        at = np.zeros(3)
        first = answer(Stand("a", at))
        self.assertEqual(answer(Stand("a", at.copy())), first)
        others = [
            answer(Stand("b", at)),
            answer(Stand("a", at + 1)),
            answer(Stand("a", at), Length(text="3 mm")),
            answer(Stand("a", at), Length(text="3 mm", tool="caliper")),
            answer(Stand("a", at), deep=True),
        ]
        self.assertEqual(len({first, *others}), 6)

    def test_two_functions_given_the_same_are_told_apart(self) -> None:
        memory = Memory(5)
        self.assertEqual((memory.of(str, 1), memory.of(float, 1)), ("1", 1.0))

    def test_what_a_function_would_do_is_no_key(self) -> None:
        with self.assertRaises(TypeError):
            mark_of(lambda: 1)
        self.assertEqual(mark_of(Aside(print)), mark_of(Aside(len)))

    def test_one_and_the_same_is_held_as_long_as_it_counts(self) -> None:
        memory, things = Memory(50), [[k] for k in range(50)]
        found = [memory.of(id, Same(thing)) for thing in things]
        del things
        self.assertEqual(len(set(found)), 50)
        self.assertNotIn(memory.of(id, Same([0])), found)

    def test_what_is_told_goes_in_bare_and_its_mark_is_its_content(self) -> None:
        memory = Memory(5)
        found = memory.told(sorted, told((3, 1)))
        self.assertEqual((found.value, found.mark), ([1, 3], memory.told(sorted, told((3, 1))).mark))
        self.assertNotEqual(found.mark, memory.told(sorted, told((1, 3))).mark)
