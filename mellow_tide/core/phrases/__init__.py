"""Words that several sentences share: times, places, and verbs that agree with a region."""
