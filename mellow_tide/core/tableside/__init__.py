"""What the table's side works out without a server: the front end's own sums are held to these by shared vectors."""
