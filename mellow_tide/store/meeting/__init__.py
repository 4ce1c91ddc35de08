"""What is kept of clients: the record, how it became known, intakes."""
