"""Strokes over several regions, kept right where parts come and go."""

from mellow_tide.core.flow.flow import Part, Step

OPENING = ("spread", "warm")


def hand_on(parts: tuple[Part, ...], gone: Part) -> tuple[Part, ...]:
    """The parts without `gone`; what opens and settles them by its long strokes is now done by those they ran over."""
    for step in gone.steps:
        heirs = [part for part in parts if part.region in step.over and _is_near(part, gone)]
        if not heirs:
            continue
        opens = step.slot in OPENING
        heir = heirs[0] if opens else heirs[-1]
        mine = step.model_copy(update={"over": tuple(id for id in step.over if id != heir.region)})
        at = _opened(heir) if opens else len(heir.steps)
        steps = (*heir.steps[:at], mine, *heir.steps[at:])
        changed = heir.model_copy(update={"steps": steps})
        parts = tuple(changed if part is heir else part for part in parts)
    return keep_to_worked(parts)


def take_back(parts: tuple[Part, ...], new: Part) -> tuple[Part, ...]:
    """The parts without `gone`; what its long strokes opened and settled is now done by those they ran over."""
    other = {"left": "right", "right": "left"}.get(new.side)
    mates = {part.region: part for part in parts if part.side == other and part.role == "work"}
    found = []
    for part in parts:
        mate = mates.get(part.region)
        if part is not new and mate and _is_near(part, new) and _alike_but_for_long(part, mate, mates):
            found.append(part.model_copy(update={"steps": mate.steps}))
        else:
            found.append(part)
    return keep_to_worked(tuple(found))


def _alike_but_for_long(part: Part, mate: Part, mates: dict[str, Part]) -> bool:
    long = {(step.stroke, step.slot) for one in mates.values() for step in one.steps if step.over}

    def own(one: Part) -> list[Step]:
        kept = (step for step in one.steps if (step.stroke, step.slot) not in long)
        return [step.model_copy(update={"check_in": False}) for step in kept]

    return own(part) == own(mate)


def keep_to_worked(parts: tuple[Part, ...]) -> tuple[Part, ...]:
    """The parts, whose long strokes run over nothing that is not worked on that side in that position."""
    return tuple(_kept(part, parts) if any(step.over for step in part.steps) else part for part in parts)


def _kept(part: Part, parts: tuple[Part, ...]) -> Part:
    worked = {other.region for other in parts if other is not part and _is_near(other, part)}
    steps = tuple(step if set(step.over) <= worked else _without(step, worked) for step in part.steps)
    return part if steps == part.steps else part.model_copy(update={"steps": steps})


def _without(step: Step, worked: set[str]) -> Step:
    return step.model_copy(update={"over": tuple(id for id in step.over if id in worked)})


def _opened(part: Part) -> int:
    """How many steps of a part come before its first warm one: dry work, and oil that was spread."""
    return next(
        (i for i, step in enumerate(part.steps) if step.slot not in ("dry", "spread")), len(part.steps)
    )


def _is_near(part: Part, other: Part) -> bool:
    """Whether a long stroke could run from one part to the other: same position, same side or the middle."""
    sides = {part.side, other.side}
    return (
        part.role == other.role == "work"
        and part.position == other.position
        and (len(sides) == 1 or "mid" in sides)
    )
