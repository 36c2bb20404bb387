"""``python -m tests.examples FILE``: run a file of worked examples; exit 1 when a value disagrees."""

import sys
from collections import Counter
from pathlib import Path

from tests.examples.compare import Line, run_file

SHOWN = 60


def _text(value: object) -> str:
    words = str(value)
    return words if len(words) <= SHOWN else f"{words[: SHOWN - 1]}…"


def _print(line: Line) -> None:
    print(
        f"{'' if line.agrees else 'DISAGREES  '}{line.example}  {line.name}: "
        f"{_text(line.expected)}, got {_text(line.got)}"
    )


def main(arguments: list[str]) -> int:
    """Run each file named; return 0, 1 where a value disagrees, 2 where no file is named."""
    if not arguments:
        print("usage: python -m tests.examples FILE [FILE …]", file=sys.stderr)
        return 2
    bad = 0
    for name in arguments:
        run = run_file(Path(name))
        for line in run.lines:
            _print(line)
        for kind, count in Counter(run.not_built).items():
            print(f"not built yet: {kind}" + (f" ({count} examples)" if count > 1 else ""))
        agreeing = len(run.lines) - len(run.disagreeing)
        print(
            f"{name}: {agreeing} values agree, {len(run.disagreeing)} disagree; {len(run.not_built)} examples not built"
        )
        bad += len(run.disagreeing)
    return 1 if bad else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
