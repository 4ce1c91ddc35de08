"""Health, pregnancy and consents: what they forbid, limit or advise, each with its reason."""
