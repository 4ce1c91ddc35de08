"""What a client's next session is asked to be: as last time, or as the house begins."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.usual_brief import make_usual_brief

PRENATAL = "prenatal"
"""The kind of session in a pregnancy."""


def propose_kind(last: Brief | None, client: ClientFacts, catalogue: Catalogue) -> str:
    """The kind of the next session: prenatal in a pregnancy, else the client's last one, else the house's first.

    A kind that the house does not offer is not proposed, unless it offers none at all.
    """
    offered = [kind.id for kind in catalogue.kinds.values() if kind.offered] or list(catalogue.kinds)
    if PRENATAL in offered and client.gestation_days is not None:
        return PRENATAL
    return last.kind if last and last.kind in offered else offered[0]


def make_next_brief(last: Brief | None, kind: str, first_visit: bool, catalogue: Catalogue) -> Brief:
    """The brief of the next session of a kind: the last one where it was of that kind, else the house's usual one.

    Raises `UnknownReference` for a kind that does not exist.
    """
    base = last if last and last.kind == kind else make_usual_brief(kind, catalogue)
    return base.model_copy(update={"first_visit": first_visit})
