"""A bench is one folder and one line of the registry: everything else follows from the list."""

import json
from typing import Any
from unittest import TestCase, mock

from driveline.benches.contract import Progress
from driveline.drawing.dxf import write_dxf
from driveline.job.benches import BENCHES, PLATE
from driveline.job.registry import JobFileBase, Registry
from driveline.parts.drawings import cut_drawing, cut_line, sheet_drawing
from driveline.parts.records import BuildRecords
from driveline.parts.release import release_of
from tests.benches.toy.bench import SHELF
from tests.demo import DEMOS, demo_json

WITH_SHELF = Registry((*BENCHES, SHELF))


def wren(width: str | None = "260 mm", registry: Registry = WITH_SHELF) -> JobFileBase:
    data = demo_json("wren")
    data["sheets"]["shelf"] = {"width": width and {"text": width}}
    return registry.JobFile.model_validate(data)


class ToyBenchTest(TestCase):
    def test_it_is_evaluated_after_the_others_and_stands_in_steps_checks_and_keys(self) -> None:
        result = WITH_SHELF.evaluate(wren())
        self.assertEqual((result.shelf.width_mm, result.shelf.coupler), (260, "flexible"))
        state = result.benches[-1]
        self.assertEqual((state.bench, state.title, state.letter, state.to_do), ("shelf", "Shelf", "s", 0))
        self.assertIs(state.progress, Progress.DESIGNED)
        self.assertIn("shelf.width", [check.key for check in result.checks])
        missing = WITH_SHELF.evaluate(wren(width=None))
        self.assertEqual((missing.benches[-1].to_do, missing.benches[-1].progress), (1, Progress.NOTHING_YET))

    def test_its_part_is_drawn_listed_released_and_delivered_like_any(self) -> None:
        job = wren()
        part = WITH_SHELF.part(job, "shelf.top")
        self.assertIn("CIRCLE", write_dxf(cut_drawing(part, job.name, "second")))
        self.assertEqual(cut_line(part).pierces, 4)
        self.assertIn("below", [view.called for view in WITH_SHELF.evaluate(job).parts[-1].views])
        self.assertIn("Wren: shelf", sheet_drawing(part, job.name, side="first", revision="A").title)
        release = release_of(
            part, job_name=job.name, after=None, side="first", by="owner", at="2026-10-12T09:40:00Z", revision=1
        )
        released = job.model_copy(update={"build": BuildRecords(releases=[release])})
        found = WITH_SHELF.evaluate(released)
        self.assertIs(found.benches[-1].progress, Progress.RELEASED)
        self.assertEqual(next(one.verdict for one in found.checks if one.key == "shelf.released_top"), "holds")
        wider = wren(width="300 mm").model_copy(update={"build": released.build})
        top = next(one for one in WITH_SHELF.evaluate(wider).parts if one.key == "shelf.top")
        self.assertTrue(top.released and top.released.differs)

    def test_it_is_in_the_schema_and_in_the_answer_to_a_change(self) -> None:
        schema = json.dumps(WITH_SHELF.JobFile.model_json_schema())
        self.assertIn("ShelfSheet", schema)
        first = WITH_SHELF.answer(wren(), {})
        again = WITH_SHELF.answer(wren(width="300 mm"), first.keys)
        self.assertEqual(set(again.checks), {"shelf"})
        self.assertEqual(set(first.keys), {"line", "motion", *(bench.key for bench in WITH_SHELF.benches)})
        self.assertEqual((again.line, again.motion), (None, None))

    def test_a_key_and_a_letter_are_of_one_bench(self) -> None:
        for registry in (Registry(BENCHES), WITH_SHELF):
            for name in ("key", "letter", "title"):
                values = [getattr(bench, name) for bench in registry.benches]
                self.assertEqual(len(set(values)), len(values))


def counting(calls: list[str]) -> Registry:
    """The benches, each noting when it is laid out or run."""

    def noted(bench: Any) -> Any:
        def lay_out(sheet: Any) -> Any:
            calls.append(f"lay out {bench.key}")
            return bench.lay_out(sheet)

        def run(*given: Any) -> Any:
            calls.append(f"run {bench.key}")
            return bench.run(*given)

        changed = {"lay_out": lay_out, "run": run}
        return type(bench)(**{**vars(bench), **changed})

    return Registry([noted(bench) for bench in BENCHES])


class RememberedTest(TestCase):
    def test_a_change_works_out_its_own_bench_and_what_hangs_on_it(self) -> None:
        calls: list[str] = []
        registry = counting(calls)
        data = demo_json("wren")

        def calls_after(path: str, value: Any) -> set[str]:
            place = data["sheets"]
            *parents, last = path.split(".")
            for name in parents:
                place = place[name]
            place[last] = value
            calls.clear()
            with mock.patch("driveline.job.benches.BRIEF", registry.benches[0]):
                registry.evaluate(registry.JobFile.model_validate(data))
            return set(calls)

        everything = {f"{what} {bench.key}" for what in ("lay out", "run") for bench in BENCHES}
        self.assertEqual(calls_after("brief.notes", "as found"), everything)
        self.assertEqual(calls_after("brief.notes", "as found"), set())
        self.assertEqual(calls_after("plate.plate.turned", {"text": "-3 deg"}), {"lay out plate", "run plate"})
        self.assertEqual(calls_after("ratios.propshaft.length", {"text": "1300 mm"}), {"lay out ratios", "run ratios"})
        self.assertEqual(
            calls_after("ratios.coupler", "rigid"),
            {"lay out ratios", "run ratios", "run coupler", "run plate", "run mounts", "run axles"},
        )
        self.assertEqual(calls_after("brief.vehicle.description", "blue"), {"lay out brief", "run brief"})

    def test_a_release_lays_the_plate_out_once(self) -> None:
        calls: list[str] = []
        registry = counting(calls)
        job = registry.JobFile.model_validate(demo_json("wren"))
        registry.part(job, "plate.plate")
        registry.evaluate(job)
        registry.part(job, "plate.plate")
        self.assertEqual(calls.count("lay out plate"), 1)

    def test_what_is_remembered_is_bounded_and_a_refusal_is_not(self) -> None:
        registry = Registry(BENCHES, remembers=30)
        data = demo_json("plover")
        for k in range(40):
            data["sheets"]["brief"]["vehicle"]["description"] = f"coat {k}"
            registry.evaluate(registry.JobFile.model_validate(data))
        self.assertLessEqual(len(registry.memory), 30)
        made: list[int] = []

        def fail() -> None:
            made.append(1)
            raise ValueError("no")

        for _ in range(2):
            with self.assertRaises(ValueError):
                registry.memory.of(fail)
        self.assertEqual(len(made), 2)

    def test_remembered_or_not_the_answer_is_the_same(self) -> None:
        for name in DEMOS:
            job = demo_json(name)
            warm = Registry(BENCHES)
            warm.evaluate(warm.JobFile.model_validate(demo_json("wren")))
            warm.evaluate(warm.JobFile.model_validate(job))
            cold = Registry(BENCHES)
            self.assertEqual(
                warm.evaluate(warm.JobFile.model_validate(job)).model_dump_json(),
                cold.evaluate(cold.JobFile.model_validate(job)).model_dump_json(),
            )
        self.assertEqual(PLATE.key, "plate")


class SomeBenchesTest(TestCase):
    def test_checks_of_one_bench_are_those_of_the_whole_and_what_it_does_not_need_is_not_run(self) -> None:
        calls: list[str] = []
        registry = counting(calls)
        job = registry.JobFile.model_validate(demo_json("plover"))
        whole = registry.own_checks(job)
        for bench in registry.benches:
            own = registry.own_checks(job, {bench.key})
            self.assertEqual(own, tuple(check for check in whole if check.bench == bench.key))
        registry.memory.forget()
        calls.clear()
        registry.own_checks(job, {"brief"})
        self.assertEqual([call for call in calls if call.startswith("run")], ["run brief"])
        registry.own_checks(job, {"ratios"})
        self.assertNotIn("run mounts", calls)
