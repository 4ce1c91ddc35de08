"""Which conditions a search shows before anything is typed."""

from collections.abc import Mapping

from mellow_tide.core.catalogue.catalogue import Catalogue

MOST = 8
USUALLY_TOLD = (
    "high_blood_pressure_treated",
    "neck_injury_old",
    "varicose_veins",
    "asthma_reflux",
    "recent_surgery",
    "acute_injury",
    "eczema",
    "contact_lenses",
)
"""What clients tell most, where a practice has nobody yet (common practice)."""


def rank_told(counts: Mapping[str, int], catalogue: Catalogue) -> tuple[str, ...]:
    """The eight conditions that most of a practice's clients have, then those that are usually told.

    `counts`: of how many clients each is on record.
    """
    by_count = sorted(counts, key=lambda id: (-counts[id], id))
    ranked = dict.fromkeys((*by_count, *USUALLY_TOLD))
    return tuple(id for id in ranked if id in catalogue.conditions)[:MOST]
