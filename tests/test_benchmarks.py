"""The benchmarks are not run here, but they can be: each finds what it measures."""

from importlib import import_module
from pathlib import Path

import benchmarks


def test_every_benchmark_finds_what_it_measures():
    for file in Path(benchmarks.__path__[0]).glob("[a-z]*.py"):
        import_module(f"benchmarks.{file.stem}")
