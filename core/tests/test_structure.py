"""Who may import whom. Data flows one way; a bench imports no other bench; nothing below a bench knows one."""

import ast
import re
from collections import defaultdict
from graphlib import CycleError, TopologicalSorter
from pathlib import Path
from unittest import TestCase

CORE = Path(__file__).parents[1] / "driveline"
# Each may import from those before it, and from others on its own line only where no circle comes of it.
LAYERS = (
    ("arrays", "errors", "words", "figures", "working", "checks", "memory", "working_units", "written_working"),
    ("tables", "reading"),
    ("sheet", "results", "margins"),
    ("fits", "flat", "network", "metal", "shafts", "space", "scans", "held", "cardan", "suspension"),
    ("drawing", "gearing", "survey"),
    ("joints", "parts"),
    ("benches.contract",),
    ("benches",),
    ("job",),
    ("__main__",),
)

UNIT = re.compile(r"_(mm2?|nm|n|rpm|kg|mpa|ms|deg|s|kw|pct|ratio)$")


def module_of(path: Path) -> str:
    return ".".join(path.relative_to(CORE).with_suffix("").parts).removesuffix(".__init__")


def imports() -> dict[str, set[str]]:
    """Every module with those of the core that it imports, types included."""
    modules = {module_of(path): path for path in CORE.rglob("*.py")}
    found: dict[str, set[str]] = defaultdict(set)
    for module, path in modules.items():
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.ImportFrom) and node.module and node.module.startswith("driveline"):
                base = node.module.removeprefix("driveline").removeprefix(".")
                for name in node.names:
                    inner = f"{base}.{name.name}".removeprefix(".")
                    found[module].add(inner if inner in modules else base)
    return found


def layer_of(module: str) -> int:
    if module == "benches.contract":
        return next(k for k, layer in enumerate(LAYERS) if module in layer)
    return next(k for k, layer in enumerate(LAYERS) if module.split(".")[0] in layer)


class StructureTest(TestCase):
    def setUp(self) -> None:
        self.imports = imports()

    def test_imports_go_one_way(self) -> None:
        wrong = [
            f"{module} imports {other}"
            for module, others in self.imports.items()
            for other in others
            if other and layer_of(other) > layer_of(module)
        ]
        self.assertEqual(wrong, [])

    def test_no_key_of_what_is_remembered_is_made_by_hand(self) -> None:
        """``memory.kept`` and ``Memory.of`` make it of all that a function is given."""
        wrong = [
            f"{module_of(path)}:{node.lineno}"
            for path in CORE.rglob("*.py")
            if path.stem != "memory"
            for node in ast.walk(ast.parse(path.read_text()))
            if isinstance(node, ast.Attribute) and node.attr == "remembered"
        ]
        self.assertEqual(wrong, [])

    def test_there_is_no_circle(self) -> None:
        try:
            TopologicalSorter(self.imports).prepare()
        except CycleError as error:
            self.fail(f"a circle: {error.args[1]}")

    def test_a_bench_imports_no_other_bench(self) -> None:
        wrong = [
            f"{module} imports {other}"
            for module, others in self.imports.items()
            if module.startswith("benches.") and module != "benches.contract"
            for other in others
            if other.startswith("benches.")
            and other != "benches.contract"
            and other.split(".")[1] != module.split(".")[1]
        ]
        self.assertEqual(wrong, [])

    def test_no_bench_is_known_by_name_but_to_the_registrys_wiring(self) -> None:
        names = {path.name for path in (CORE / "benches").iterdir() if path.is_dir() and path.name != "__pycache__"}
        wrong = [
            f"{module_of(path)}: {node.value}"
            for path in [*(CORE / "job").glob("*.py"), *(CORE / "parts").glob("*.py"), *(CORE / "joints").glob("*.py")]
            if module_of(path) not in ("job.benches", "job.versions")
            for node in ast.walk(ast.parse(path.read_text()))
            if isinstance(node, ast.Constant) and node.value in names
        ]
        self.assertEqual(wrong, [])

    def test_nothing_is_too_long_to_be_read_at_once(self) -> None:
        long_files, long_functions = [], []
        for path in CORE.rglob("*.py"):
            text = path.read_text()
            if text.count("\n") > 400:
                long_files.append(path.name)
            for node in ast.walk(ast.parse(text)):
                if isinstance(node, ast.FunctionDef) and (node.end_lineno or 0) - node.lineno >= 60:
                    long_functions.append(f"{path.name} {node.name}")
        self.assertEqual((long_files, long_functions), ([], []))

    def test_every_numeric_function_of_a_subject_says_where_it_is_from(self) -> None:
        """Numeric: its name or an argument's ends in a unit."""
        silent = []
        for subject in (
            "fits",
            "flat",
            "network",
            "metal",
            "shafts",
            "space",
            "held",
            "cardan",
            "suspension",
            "gearing",
            "survey",
            "joints",
        ):
            for path in (CORE / subject).rglob("*.py"):
                if path.stem.endswith(("workings", "_sums")):
                    continue  # a working names its source itself
                for node in ast.parse(path.read_text()).body:
                    if not isinstance(node, ast.FunctionDef) or node.name.startswith("_"):
                        continue
                    arguments = [one.arg for one in (*node.args.args, *node.args.kwonlyargs)]
                    if any(UNIT.search(name) for name in (node.name, *arguments)):
                        doc = ast.get_docstring(node) or ""
                        silent += [] if "Source:" in doc else [f"{path.name} {node.name}"]
        self.assertEqual(silent, [])
