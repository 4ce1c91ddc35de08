"""The order engine against a published instance.

Source: TSPLIB instance gr17 (Reinelt 1991): 17 cities, shortest closed tour 2085. The matrix travels as test data in
the source distribution of the package tsplib95, and was copied from there.
"""

from itertools import pairwise, permutations
from pathlib import Path
from random import Random

from mellow_tide.core.planner.order.walk import through, traced

LINES = (Path(__file__).parent / "data" / "gr17.txt").read_text().splitlines()


def matrix():
    rows = [[int(word) for word in line.split()] for line in LINES if not line.startswith("#")]
    size = len(rows)
    return [[rows[max(i, j)][min(i, j)] for j in range(size)] for i in range(size)]


def legs_to(distances, cities):
    """One leg a city: from wherever one is, its distance, and the city one is in then."""
    return [{at: (distances[at][city], city) for at in range(len(distances))} for city in cities]


def test_the_shortest_closed_tour_of_gr17():
    distances = matrix()
    assert len(distances) == 17
    legs = legs_to(distances, range(1, 17))
    done = through({0: 0}, legs)
    last = min(done[-1], key=lambda city: done[-1][city] + distances[city][0])
    assert done[-1][last] + distances[last][0] == 2085
    order, start = traced(done, legs, last)
    tour = [start, *(i + 1 for i in order), start]
    assert sorted(tour[:-1]) == list(range(17))
    assert sum(distances[a][b] for a, b in pairwise(tour)) == 2085


def test_every_set_of_cities_against_trying_every_order():
    random = Random(17)
    distances = [[random.randrange(1, 400) for _ in range(7)] for _ in range(7)]
    done = through({0: 0}, legs_to(distances, range(1, 7)))
    for mask, ways in enumerate(done[1:], 1):
        cities = [i + 1 for i in range(6) if mask >> i & 1]
        for last, seconds in ways.items():
            tried = [
                sum(distances[a][b] for a, b in pairwise((0, *order)))
                for order in permutations(cities)
                if order[-1] == last
            ]
            assert seconds == min(tried)
