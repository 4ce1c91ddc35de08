"""How the parts of an order fall into spans."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.planner.strokes.long import runs_over
from mellow_tide.core.planner.strokes.site import Site


@dataclass(frozen=True)
class SpanPlace:
    """Regions that share one arc, in the order in which they are worked, each with the sides that a passage has of it.

    `goes_on`: something of the same passage was worked before it, so that oil may be on. `position`: where the first
    of them is worked; `times`: how often it is done, once for each side of a limb.
    """

    regions: tuple[str, ...]
    sides: tuple[int, ...]
    goes_on: bool
    position: str
    times: int

    def one_by_one(self) -> "tuple[SpanPlace, ...]":
        """Each region as a span of its own."""
        return tuple(
            SpanPlace((id,), (count,), self.goes_on or at > 0, self.position, self.times)
            for at, (id, count) in enumerate(zip(self.regions, self.sides, strict=True))
        )


def list_spans(
    setups: Sequence[Setup], site_of: Callable[[str, str], Site], catalogue: Catalogue
) -> tuple[SpanPlace, ...]:
    """The spans of an order, each where its first side is worked; `site_of` gives the site of a region in a position.

    Regions share an arc where they follow one another along a glide, on every side on which they are worked.
    """
    passages = [
        tuple(setups[at] for at in places)
        for places in split_into_passages(setups, catalogue)
        if setups[places[0]].role == "work"
    ]
    alike: dict[tuple[str, ...], int] = {}
    for passage in passages:
        regions = _regions(passage)
        alike[regions] = alike.get(regions, 0) + 1
    found: list[SpanPlace] = []
    done: set[str] = set()
    for passage in passages:
        regions = _regions(passage)
        if done.issuperset(regions):
            continue
        # A limb of which the other side is worked otherwise has no strokes over several regions.
        differs = any(set(regions) & set(other) and other != regions for other in alike)
        groups = [(id,) for id in regions] if differs else list(_groups(regions, passage, site_of, catalogue))
        for group in groups:
            if group[0] in done:
                continue
            done.update(group)
            count = [sum(setup.region == id for setup in passage) for id in group]
            every = sum(setup.region == group[0] and setup.role == "work" for setup in setups)
            goes_on = regions.index(group[0]) > 0
            found.append(SpanPlace(group, tuple(count), goes_on, passage[0].position, every // count[0]))
    return tuple(found)


def _regions(passage: Sequence[Setup]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(setup.region for setup in passage))


def _groups(
    regions: tuple[str, ...],
    passage: Sequence[Setup],
    site_of: Callable[[str, str], Site],
    catalogue: Catalogue,
) -> Iterator[tuple[str, ...]]:
    """The regions of a passage, those that follow one another along a glide together, in the order of work."""
    position = passage[0].position
    joined: dict[str, tuple[str, ...]] = {}
    for run in _list_runs(regions, catalogue):
        if _shares_an_arc(run, passage, [site_of(id, position) for id in run]):
            joined.update((id, run) for id in run if id not in joined)
    seen: set[str] = set()
    for id in regions:
        group = joined.get(id, (id,))
        if id not in seen:
            seen.update(group)
            yield group


@lru_cache(maxsize=2_000)
def _list_runs(regions: tuple[str, ...], catalogue: Catalogue) -> tuple[tuple[str, ...], ...]:
    """The runs of several regions along the glides of the passage that has them all, each in the order of work."""
    glides = (g for p in catalogue.passages.values() if set(regions) <= set(p.regions) for g in p.glides)
    runs = (run for glide in glides for run in _runs(glide, regions) if len(run) > 1)
    return tuple(tuple(id for id in regions if id in run) for run in runs)


def _runs(glide: tuple[str, ...], regions: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """The stretches of a glide of which nothing is missing."""
    run: tuple[str, ...] = ()
    for id in glide:
        if id in regions:
            run = (*run, id)
        elif run:
            yield run
            run = ()
    if run:
        yield run


def _shares_an_arc(ordered: tuple[str, ...], passage: Sequence[Setup], sites: Sequence[Site]) -> bool:
    """Whether long strokes may run over all of the sites, from the first of them and back from the last."""
    once = sum(setup.region == ordered[0] for setup in passage) == 1
    oiled = all(site.medium == "lubricated" for site in sites)
    first, last = sites[0], sites[-1]
    # What runs over the middle runs over both sides; where one is left alone it does not.
    limb = all(site.region.sides == "pair" for site in sites)
    both = limb or all(site.region.only is None for site in sites)
    return (
        once
        and both
        and oiled
        and all(runs_over(first, site) for site in sites[1:])
        and all(runs_over(last, site) for site in sites[:-1])
    )
