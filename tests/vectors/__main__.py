"""Writes every file of shared vectors anew."""

import sys

from tests.vectors.files import FILES, FOLDER, text_of

for file in FILES:
    (FOLDER / file).write_text(text_of(file), encoding="utf-8")
    sys.stdout.write(f"wrote {file}\n")
