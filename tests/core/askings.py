"""Random clients with what they ask for, and what every plan made for them must keep."""

from collections.abc import Sequence
from random import Random

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import (
    Brief,
    ClientFacts,
    ConditionPlaces,
    Excluded,
    Place,
    Wish,
    merge_places,
)
from mellow_tide.core.flow.edits import worked_alike
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.choice.choice import Chooser
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.points import drop_points
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import pose_question
from mellow_tide.core.refusal import DoesNotFit
from tests.settings import CATALOGUE, setting

# Conditions that name a clinician first are findings of their own, whatever is planned.
BEARABLE = sorted(id for id, condition in CATALOGUE.conditions.items() if condition.level == "adapt")
CONSENTS = sorted(CATALOGUE.consents)
STROKES = sorted(id for id, stroke in CATALOGUE.strokes.items() if stroke.use != "wish")
HOUSE_RULES = (
    "table_height",
    "stool",
    "clean_after_feet",
    "legs_and_feet",
    "calf_and_shin",
    "dry_work",
    "light_end",
    "prenatal_limbs",
)

Asking = tuple[Brief, ClientFacts, House]


def some(random, things, most):
    return random.sample(sorted(things), random.randint(0, min(most, len(things))))


def asking(random: Random, conditions: Sequence[str] = BEARABLE) -> Asking:
    """Any shipped school, with what a client may bring, two of `conditions` at most, and a house may choose."""
    school = CATALOGUE.schools[random.choice(sorted(CATALOGUE.schools))]
    kind = CATALOGUE.kinds[school.kind]
    regions = sorted({id for block in school.blocks for id in block.regions()})
    words = some(random, regions, 4)
    cut = random.randint(0, len(words))
    brief = Brief(
        kind=kind.id,
        school=school.id,
        area=random.choice([area.id for area in kind.areas]) if kind.areas else None,
        first_position=random.choice([None, *(block.position for block in school.blocks)]),
        booked_minutes=random.randint(*((10, 60) if kind.surface == "chair" else (25, 120))),
        first_visit=random.random() < 0.3,
        focus=tuple(words[:cut][:2]),
        leave_out=tuple(words[cut:]),
        close_with="seated" if kind.id == "chair" else random.choice(["head", "feet", "whole"]),
        finish=random.choice(["calm", "bright"]) if kind.surface == "chair" else "calm",
        pressure=random.choice(["light", "medium", "firm"]),
    )
    house = House(
        rules={id: random.choice(CATALOGUE.house_rules[id].choices).id for id in some(random, HOUSE_RULES, 4)}
    )
    client = client_for(random, kind.id, regions, conditions)
    return brief.model_copy(update={"points": sore_points(random, brief)}), client, house


def sore_points(random: Random, brief: Brief) -> tuple[Place, ...]:
    """Mostly none; else up to three, anywhere that is not left out."""
    if random.random() < 0.7:
        return ()
    found = []
    for id in some(random, set(CATALOGUE.regions) - set(brief.leave_out), 3):
        region = CATALOGUE.regions[id]
        side = "mid" if region.sides == "mid" else random.choice(["left", "right"])
        found.append(Place(region=id, side=side, zone=random.choice([None, *region.zones])))
    return tuple(found)


def client_for(
    random: Random, kind: str, regions: list[str], conditions: Sequence[str] = BEARABLE
) -> ClientFacts:
    consents = frozenset(some(random, CONSENTS, len(CONSENTS)))
    through_cloth = frozenset({"hips"} if random.random() < 0.3 else ())
    brought = some(random, conditions, 2)
    days = {"prenatal": (60, 270), "labour_support": (260, 290)}.get(kind)
    return ClientFacts(
        height_cm=random.randint(145, 205),
        breaths_per_minute=random.randint(5, 25),
        consents=consents - through_cloth,
        through_cloth=through_cloth,
        declined=frozenset(some(random, CONSENTS, 2)) - consents - through_cloth,
        conditions=frozenset(brought),
        condition_places=tuple(told_where(random, id, regions) for id in brought if needs_place(id)),
        gestation_days=random.randint(*days) if days else None,
        excluded=tuple(place(random, regions) for _ in range(random.randint(0, 1))),
        wishes=tuple(
            Wish(region=id, depth=random.randint(2, 10) / 2) for id in some(random, CATALOGUE.regions, 3)
        ),
        likes=frozenset(some(random, [*STROKES, *CATALOGUE.tools], 2)),
        dislikes=frozenset(some(random, STROKES, 1)),
    )


def place(random: Random, regions: list[str]) -> Excluded:
    return Excluded(**dict(somewhere(random, regions)))


def somewhere(random: Random, regions: list[str]) -> Place:
    region = random.choice(regions)
    zone = random.choice([None, *CATALOGUE.regions[region].zones])
    return Place(region=region, side=random.choice(["left", "right", "both"]), zone=zone)


def needs_place(condition: str) -> bool:
    return CATALOGUE.conditions[condition].needs_place


def told_where(random: Random, condition: str, regions: list[str]) -> ConditionPlaces:
    """One or two places, or nowhere that is worked."""
    places = tuple(somewhere(random, regions) for _ in range(random.randint(0, 2)))
    return ConditionPlaces(condition=condition, places=places)


def broken(brief: Brief, client: ClientFacts, house: House) -> list[str]:
    """What a plan for this asking does not keep; nothing for one that is refused."""
    try:
        made = plan(brief, setting(client, CATALOGUE, house))
    except DoesNotFit:
        return []
    flow, found = made.flow, []
    check_flow(flow, CATALOGUE)
    evaluation = evaluate(flow, setting(client, CATALOGUE, house))
    found += [f"{f.code} {f.what}" for f in evaluation.findings if f.severity != "advice"]
    addresses = [entry.address for entry in evaluation.sheet.entries]
    if len(set(addresses)) < len(addresses):
        found.append("two entries have one address")
    if abs(evaluation.sheet.over) > 15:
        found.append(f"{evaluation.sheet.over} s over")
    worked = {part.region for part in flow.parts if part.role == "work"}
    # A labour is a round of the three places that ease it: a wish for another region only says what comes first.
    if brief.kind != "labour_support" and not set(brief.focus) <= worked:
        found.append("a focus is not worked")
    if worked & set(brief.leave_out):
        found.append("a region left out is worked")
    found += _lopsided(drop_points(flow), client)
    if plan(brief, setting(client, CATALOGUE, house)) != made:
        found.append("the same asking has another plan")
    return found


def _lopsided(flow, client):
    """Pairs with other strokes left than right, or with one side only though nothing keeps from the other."""
    steps = {}
    for part in flow.parts:
        if part.role == "work" and CATALOGUE.regions[part.region].sides == "pair":
            steps.setdefault(part.region, {})[part.side] = part.steps
    for region, sides in steps.items():
        spared = any(x.region == region for x in restrict(client, CATALOGUE).excluded)
        if len(sides) == 2 and not worked_alike(sides["left"], sides["right"]):
            yield f"{region}: other strokes left than right"
        if len(sides) == 1 and not spared:
            yield f"{region}: one side only"


def worth(brief: Brief, client: ClientFacts, house: House) -> float | None:
    """The value of the best plan at the usual weights; None where there is none.

    Without points: where one may not be held, its seconds are there for all.
    """
    try:
        brief = brief.model_copy(update={"points": ()})
        asked = Asked.of(brief, setting(client, CATALOGUE, house, None))
        if asked.kind.open_ended:
            return None
        choice = Chooser(pose_question(asked), asked.catalogue).best()
    except DoesNotFit:
        return None
    return choice.value if choice else None


def rests(brief: Brief, client: ClientFacts, house: House) -> object:
    """Where and how the hands rest first and last."""
    known = Asked.of(brief, setting(client, CATALOGUE, house, None)).catalogue
    return known.openings, known.closings


def tightened(random: Random, client: ClientFacts, regions: list[str]) -> ClientFacts:
    """The client with one restriction more. One side alone is no such thing: half a pair is other work, not less."""
    what = random.choice(["condition", "declined", "excluded"])
    if what == "condition":
        condition = random.choice(BEARABLE)
        told = [told_where(random, condition, regions)] if needs_place(condition) else []
        return client.model_copy(
            update={
                "conditions": client.conditions | {condition},
                "condition_places": merge_places(told, client.condition_places),
            }
        )
    if what == "declined":
        no = random.choice(CONSENTS)
        return client.model_copy(
            update={
                "declined": client.declined | {no},
                "through_cloth": client.through_cloth - {no},
                "consents": client.consents - {no},
            }
        )
    spared = place(random, regions).model_copy(update={"side": "both"})
    return client.model_copy(update={"excluded": (*client.excluded, spared)})


def untrue(random: Random, brief: Brief, client: ClientFacts, house: House) -> list[str]:
    """Which of the two laws of value does not hold here: more minutes or less restriction never do less good."""
    now = worth(brief, client, house)
    if now is None:
        return []
    found = []
    longer = brief.model_copy(
        update={"booked_minutes": min(120, brief.booked_minutes + random.randint(1, 20))}
    )
    later = worth(longer, client, house)
    if later is not None and later < now - 1e-9:
        found.append(f"{longer.booked_minutes} minutes do {later}, {brief.booked_minutes} do {now}")
    regions = sorted({id for b in CATALOGUE.schools[brief.school].blocks for id in b.regions()})
    tighter = tightened(random, client, regions)
    less = worth(brief, tighter, house)
    # Where hands must rest elsewhere first or last, the way is another one, and may be shorter.
    rests_as_before = rests(brief, client, house) == rests(brief, tighter, house)
    if less is not None and rests_as_before and less > now + 1e-9:
        found.append(f"with {tighter.conditions, tighter.declined, tighter.excluded}: {less}, without {now}")
    return found
