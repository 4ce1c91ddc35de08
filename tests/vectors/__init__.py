"""What the core says of made-up cases: the front end is held to the same files. `./tide vectors` writes them anew."""
