"""The files that hold the front end are what the core says; `./tide vectors` writes them anew."""

import pytest

from tests.vectors.files import FILES, FOLDER, text_of


@pytest.mark.parametrize("file", FILES)
def test_a_file_is_what_the_core_says(file):
    assert (FOLDER / file).read_text(encoding="utf-8") == text_of(file)


def test_no_file_is_left_over():
    assert {file.name for file in FOLDER.glob("*.json")} == set(FILES)
