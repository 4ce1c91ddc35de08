"""`./tide fuzz`: the described interface against a real server, for as many minutes as one likes."""

import argparse
import sys
import tempfile
from pathlib import Path

from launcher.cluster import Cluster
from launcher.places import settle
from launcher.say import say
from tests.fuzz.fuzzing import Fuzzer
from tests.fuzz.world import serve_demo


def main() -> int:
    """Fuzz, and tell what came of it; 0 if every answer was as described."""
    words = argparse.ArgumentParser(prog="./tide fuzz", description=__doc__)
    words.add_argument("--minutes", type=float, default=10, help="how long (default 10)")
    words.add_argument("--seed", type=int, default=1, help="the same seed asks the same")
    asked = words.parse_args()
    cluster = Cluster(settle().state / "test-postgres", durable=False)
    cluster.start()
    cluster.ensure_roles()
    try:
        with (
            tempfile.TemporaryDirectory() as folder,
            serve_demo(cluster, Path(folder)) as (server, token, again),
        ):
            found = Fuzzer(server.url, token, asked.seed).run(60 * asked.minutes, again)
            faults = server.log.read_text().partition(" ERROR ")
            say("".join(faults[1:])[:20_000])
    finally:
        cluster.stop()
    by_status = ", ".join(f"{status}: {times}" for status, times in sorted(found.answers.items()))
    say(f"{found.answers.total()} answers ({by_status})")
    for kind, words_of_it in sorted(found.failures.items()):
        say(f"\n{kind}\n{words_of_it}")
    say(f"{len(found.failures)} kinds of answers were not as described")
    return 1 if found.failures else 0


if __name__ == "__main__":
    sys.exit(main())
