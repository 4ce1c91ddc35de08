"""Where the therapist stands for each stroke of a part, and the walks in between."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.timing.scene import Scene, StandingPlace, find_places, places


def plan_walks(
    part: Part, catalogue: Catalogue, here: StandingPlace | None = None
) -> tuple[StandingPlace | None, ...]:
    """For each step of `part`, the place to which the therapist walks before it; None where nobody walks.

    One goes where the step says, or to where alone its stroke can be done, back to where one came if that will do; and
    stays there else. `here`: where one stands as the part begins, None: where its region is usually worked from.
    """
    begun = here or places(catalogue.regions[part.region], part.setup)[0]
    lies = catalogue.positions[part.position].flat
    now, found = begun, list[StandingPlace | None]()
    for step in part.steps:
        only = catalogue.strokes[step.stroke].stand.get(part.region, ()) if lies else ()
        stands = (step.stand,) if step.stand else only
        wanted = find_places(stands, part.side) if stands else ()
        walks = bool(wanted) and now not in wanted
        if walks:
            now = begun if begun in wanted else wanted[0]
        found.append(now if walks else None)
    return tuple(found)


def leave(scene: Scene, part: Part, catalogue: Catalogue) -> Scene:
    """The scene once `part` has been worked, from the one in which its work began."""
    walks = [place for place in plan_walks(part, catalogue, scene.place) if place]
    return scene._replace(place=walks[-1]) if walks else scene
