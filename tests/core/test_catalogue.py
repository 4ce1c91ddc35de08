import shutil
from importlib import resources
from pathlib import Path

import pytest

from mellow_tide.core.catalogue.catalogue import check_known
from mellow_tide.core.catalogue.loader import CatalogueError, read_catalogue
from mellow_tide.core.planner.strokes.repertoire import Touch, arc_options

DATA = resources.files("mellow_tide.core.catalogue") / "data"


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    return Path(shutil.copytree(str(DATA), tmp_path / "data"))


def change(folder: Path, file: str, old: str, new: str) -> int:
    """Replace the first `old`; the line it stood on."""
    text = (folder / file).read_text()
    (folder / file).write_text(text.replace(old, new, 1))
    return text[: text.index(old)].count("\n") + 1


def test_every_region_of_the_field_is_there_with_positions_and_zones(catalogue):
    assert set(catalogue.regions) == {
        *(
            [
                "scalp",
                "face",
                "neck",
                "shoulders",
                "chest",
                "abdomen",
                "back",
                "side_body",
                "hips",
                "hip_front",
            ]
        ),
        *(["thigh_back", "thigh_front", "lower_leg_back", "lower_leg_front", "foot", "arm", "hand"]),
    }
    assert all(region.positions and region.zones and region.stand for region in catalogue.regions.values())


def test_strokes_are_enough_for_a_whole_body(catalogue):
    used = {o.stroke.id for region in catalogue.regions for o in arc_options(region, Touch(3), catalogue)}
    assert len(used) >= 18


@pytest.mark.parametrize(
    ("file", "old", "new", "said"),
    [
        ("regions.toml", 'prone = "back"', 'prone = "bakc"', "no window called “bakc”"),
        ("strokes.toml", '"reinforced_thumb"', '"thumbb"', "no tool called “thumbb”"),
        ("strokes.toml", '"posterior_neck"', '"nape"', "no zone of neck called “nape”"),
        ("schools.toml", '["abdomen"]', '["back"]', "no supine region called “back”"),
        ("schools.toml", "hips = 1.4", "hip = 1.4", "no region called “hip”"),
        ("positions.toml", '"face_cradle"', '"face_craddle"', "no support called “face_craddle”"),
        ("windows.toml", '["gluteal"', '["glutael"', "no zone of hips called “glutael”"),
        ("consents.toml", '["chair"]', '["chairs"]', "no kind called “chairs”"),
        ("kinds.toml", '"neck", "side_body"', '"nekc", "side_body"', "no region called “nekc”"),
        ("conditions.toml", '"percussion"', '"percusion"', "no stroke or family called “percusion”"),
        ("conditions.toml", "light_only", "lightly", "no choice of prenatal_limbs called “lightly”"),
        ("house_rules.toml", "back_of_knee = 2", "back_knee = 2", "no place called “back_knee”"),
        (
            "house_rules.toml",
            'default = "wash"',
            'default = "rinse"',
            "no choice of clean_after_feet called “rinse”",
        ),
    ],
)
def test_a_misspelt_id_is_refused_with_file_and_line(folder, file, old, new, said):
    change(folder, file, old, new)
    with pytest.raises(CatalogueError) as refused:
        read_catalogue(folder)
    message = str(refused.value)
    place, words = message.split(": ", 1)
    name, line = place.split(":")
    misspelt = said.split("“")[1].rstrip("”")
    assert (name, words) == (file, f"there is {said}")
    assert misspelt in (folder / file).read_text().splitlines()[int(line) - 1]


def test_an_entry_twice_and_a_value_out_of_bounds_are_refused(folder):
    line = change(folder, "tools.toml", 'id = "palms"', 'id = "forearm"')
    with pytest.raises(CatalogueError, match="is there twice"):
        read_catalogue(folder)
    change(folder, "tools.toml", 'id = "forearm"\nname = "palms"', 'id = "palms"\nname = "palms"')
    change(folder, "regions.toml", "least = 90", "least = 900")
    with pytest.raises(CatalogueError, match="least <= usual <= most"):
        read_catalogue(folder)
    assert line > 1


def test_a_broken_file_names_itself(folder):
    (folder / "windows.toml").write_text("[[window]\n")
    with pytest.raises(CatalogueError, match=r"windows\.toml"):
        read_catalogue(folder)


def test_naming_what_is_not_there_says_what_is(catalogue):
    problem = check_known(catalogue.closings, "roof", "close_with", "closing")
    assert (problem.field, problem.remedy) == ("close_with", "use one of: head, feet, whole, seated")
    assert check_known(catalogue.closings, "head", "close_with", "closing") is None


KINDS = ["full_body", "focus", "chair", "side_lying", "prenatal", "labour_support"]


def test_every_kind_has_a_school_and_a_way_to_begin_in_each_of_its_positions(catalogue):
    assert list(catalogue.kinds) == KINDS
    for kind in catalogue.kinds.values():
        assert [s for s in catalogue.schools.values() if s.kind == kind.id]
        assert set(kind.positions) <= set(catalogue.openings) | {"supine"}


def test_every_question_on_which_schools_differ_has_a_default_and_a_reason(catalogue):
    asked = {
        *("first_position", "body_order", "legs_and_feet", "clean_after_feet", "behind_knee", "strength"),
        *("point_hold", "light_end", "breaking_contact", "calf_and_shin", "dry_work", "abdomen"),
        *("prenatal_points", "prenatal_limbs", "end", "chair_scalp"),
    }
    assert asked <= set(catalogue.house_rules)
    for rule in catalogue.house_rules.values():
        assert rule.reason
        assert catalogue.choice(rule.id).id == rule.default


def test_minutes_that_are_not_hands_on(catalogue):
    # Common practice: table 10, first visit 15, chair 2, prenatal 12.
    kinds = catalogue.kinds
    found = [kinds[id].before_after_minutes() for id in ("full_body", "chair", "prenatal")]
    assert found == [10, 2, 12]
    assert kinds["full_body"].before_after_minutes(first_visit=True) == 15


def test_both_sides_of_a_region_are_named_as_one_says_it(catalogue):
    assert {catalogue.regions[id].sided("both") for id in ("hips", "chest", "back")} == {
        "both hips",
        "both sides of the chest",
        "back",
    }
