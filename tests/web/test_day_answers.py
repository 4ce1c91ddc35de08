"""What is new today, and what became known since a plan was made."""

from tests.web.test_clients import client_of, described
from tests.web.test_sessions import answer_day, change, fields, url

TOES = {"region": "foot", "side": "left", "zone": "toes", "because": "a plaster"}


def strokes(session, region, side):
    parts = session["plan"]["flow"]["parts"]
    return [step for s in parts if (s["region"], s["side"]) == (region, side) for step in s["steps"]]


def test_nothing_new_is_an_answer_and_changes_no_plan(client):
    before = client.get(url("isolde")).json()
    assert before["day_answer"] is None
    after = answer_day(client, "isolde").json()
    assert after["day_answer"] == {
        "note": "",
        "conditions": [],
        "condition_places": [],
        "excluded": [],
        "headache": None,
    }
    assert (after["plan"], after["revision"]) == (before["plan"], before["revision"])
    told = client.get(f"/api/clients/{before['client']['client_id']}/history").json()
    assert (told[0]["source"], told[0]["change"]["after"]) == ("day_question", "nothing new")


def test_a_plaster_takes_the_work_there_out_of_the_plan_and_its_time_goes_elsewhere(client):
    toes = {
        "stroke": "toe_work",
        "slot": "mobilise",
        "tool": "fingertips",
        "zone": "toes",
        "depth": 2,
        "passes": 1,
    }
    edits = [
        {"kind": "insert_step", "part_id": f"foot-{side}", "at": 4, "step": toes}
        for side in ("right", "left")
    ]
    revision = client.get(url("isolde")).json()["revision"]
    before = client.post(url("isolde", "/edits"), json={"revision": revision, "edits": edits}).json()
    assert "toe_work" in [step["stroke"] for step in strokes(before, "foot", "left")]
    heard = client.post(url("isolde", "/heard"), json={"note": "left big toe has a plaster"}).json()
    assert [(one["region"], one["side"], one["zone"]) for one in heard] == [("foot", "left", "toes")]
    after = answer_day(client, "isolde", note="left big toe has a plaster", excluded=[TOES]).json()
    assert not any(step["stroke"] == "toe_work" for step in strokes(after, "foot", "left"))
    assert [f for f in after["evaluation"]["findings"] if f["severity"] == "refuse"] == []
    assert abs(after["evaluation"]["sheet"]["seconds"] - before["evaluation"]["sheet"]["seconds"]) <= 15
    assert after["evaluation"]["restrictions"]["excluded"] == [TOES]
    # It is of the day: the record of the client does not have it.
    assert client_of(client, "Isolde")["record"]["excluded"] == []


def test_what_is_to_last_is_kept_for_the_next_times(client):
    neck = {"region": "neck", "side": "mid", "zone": None, "because": "stiff"}
    after = answer_day(client, "isolde", lasting=True, excluded=[neck], conditions=["make_up"]).json()
    assert not strokes(after, "neck", "mid")
    record = client_of(client, "Isolde")["record"]
    assert (record["excluded"], record["conditions"]) == ([neck], ["make_up"])
    assert client_of(client, "Isolde")["since"]["excluded neck mid"]["source"] == "day_question"


def test_what_the_plan_obeys_already_is_no_news_to_it(client):
    after = answer_day(client, "isolde", lasting=True, conditions=["hearing_aids"]).json()
    assert "hearing_aids" in client_of(client, "Isolde")["record"]["conditions"]
    assert after["news"] == client.get(url("isolde")).json()["news"] == []


def test_a_part_sign_is_kept_and_no_plan_is_made_over_it(client):
    before = client.get(url("corin")).json()
    after = answer_day(client, "corin", conditions=["fever"]).json()
    assert after["plan"] == before["plan"]
    assert after["evaluation"]["restrictions"]["reasons"][0]["level"] == "refer"
    assert after["day_answer"]["conditions"] == ["fever"]
    back = answer_day(client, "corin").json()
    assert "refer" not in [reason["level"] for reason in back["evaluation"]["restrictions"]["reasons"]]


def test_an_answer_that_no_plan_of_the_brief_can_obey_is_kept_and_found(client):
    after = answer_day(client, "corin", conditions=["cannot_lie_flat"]).json()
    assert after["day_answer"]["conditions"] == ["cannot_lie_flat"]
    assert "refuse" in [finding["severity"] for finding in after["evaluation"]["findings"]]
    assert answer_day(client, "corin").json()["day_answer"]["conditions"] == []


def test_an_injury_of_the_day_is_asked_where_and_then_left_alone(client):
    refused = answer_day(client, "corin", note="I fell", conditions=["acute_injury"])
    assert refused.json()["type"] == "urn:mellow-tide:problem:place-missing"
    assert list(fields(refused)) == ["condition_places.acute_injury"]
    assert client.get(url("corin")).json()["day_answer"]["note"] != "I fell"
    wrist = [{"condition": "acute_injury", "places": [{"region": "hand", "side": "left"}]}]
    told = answer_day(client, "corin", conditions=["acute_injury"], condition_places=wrist).json()
    assert not strokes(told, "hand", "left")
    assert "HLT11" not in [finding["code"] for finding in told["evaluation"]["findings"]]
    # It is of the day: the record of the client does not have it.
    assert client_of(client, "Corin")["record"]["condition_places"] == []
    assert answer_day(client, "corin").status_code == 200


def test_a_plan_waits_for_the_place_of_what_is_on_record_and_obeys_it_once_it_is_told(client):
    page = client_of(client, "Isolde")
    record = page["record"]
    described(client, page, conditions=[*record["conditions"], "recent_fracture"])
    view = client.get(url("isolde")).json()
    assert [one["condition"] for one in view["evaluation"]["restrictions"]["unplaced"]] == ["recent_fracture"]
    assert "HLT11" in [finding["code"] for finding in view["evaluation"]["findings"]]
    refused = change(client, "isolde", booked_minutes=75)
    assert list(fields(refused)) == ["condition_places.recent_fracture"]
    body = {
        "revision": view["revision"],
        "told": {"condition": "recent_fracture", "places": [{"region": "arm", "side": "right"}]},
    }
    told = client.put(url("isolde", "/condition-places"), json=body).json()
    assert not strokes(told, "arm", "right")
    assert told["evaluation"]["restrictions"]["unplaced"] == told["news"] == []
    assert client_of(client, "Isolde")["record"]["condition_places"][0]["places"][0]["region"] == "arm"
    assert change(client, "isolde", booked_minutes=75).status_code == 200
    strange = {**body, "revision": told["revision"] + 1}
    strange["told"] = {"condition": "recent_fracture", "places": [{"region": "tail"}]}
    assert list(fields(client.put(url("isolde", "/condition-places"), json=strange))) == [
        "condition_places.recent_fracture"
    ]
    described(client, client_of(client, "Isolde"), conditions=record["conditions"])
    assert client_of(client, "Isolde")["record"]["condition_places"] == []
    client.post(url("isolde", "/looked-at"))


def test_the_conditions_told_most_are_offered_first(client):
    told = client.get("/api/conditions/most-told").json()
    assert len(told) == 8
    counts = dict.fromkeys(told, 0)
    for one in client.get("/api/clients").json():
        for id in client.get(f"/api/clients/{one['client_id']}").json()["record"]["conditions"]:
            counts[id] = counts.get(id, 0) + 1
    assert counts[told[0]] == max(counts.values())


def test_unknown_and_stale_answers_change_nothing(client):
    before = client.get(url("corin")).json()
    assert fields(answer_day(client, "corin", conditions=["dropsy"]))
    body = {"revision": before["revision"] + 7, "answer": {"excluded": [{"region": "hips"}]}}
    assert client.put(url("corin", "/day-answer"), json=body).status_code == 409
    assert client.get(url("corin")).json()["day_answer"] == before["day_answer"]


def test_a_place_of_the_day_stays_of_the_day_when_places_are_set_on_the_plan(client):
    answer_day(client, "corin", excluded=[TOES])
    revision = client.get(url("corin")).json()["revision"]
    hand = {"region": "hand", "side": "right", "zone": None, "because": ""}
    body = {"revision": revision, "excluded": [hand], "today": [TOES]}
    made = client.put(url("corin", "/excluded"), json=body).json()
    assert made["day_answer"]["excluded"] == [TOES]
    assert client_of(client, "Corin")["record"]["excluded"] == [hand]
    arms = {"region": "arm", "side": "both", "zone": None, "because": "stiff"}
    gone = {"revision": made["revision"], "excluded": [hand], "today": [arms]}
    made = client.put(url("corin", "/excluded"), json=gone).json()
    assert (made["day_answer"]["excluded"], made["excluded_today"]) == ([], [arms])
    assert not strokes(made, "arm", "left")
    assert client_of(client, "Corin")["record"]["excluded"] == [hand]
    # An answer given later adds to it.
    again = answer_day(client, "corin", excluded=[TOES]).json()
    assert again["excluded_today"] == [arms, TOES]
    assert client.get(url("corin")).json()["evaluation"]["restrictions"]["excluded"] == [hand, arms, TOES]


def test_what_becomes_known_after_a_plan_is_news_until_the_plan_knows_it(client):
    assert client.get(url("bram")).json()["news"] == []
    page = client_of(client, "Bram")
    described(client, page, conditions=["high_blood_pressure_treated"], note="Whistles.")
    news = client.get(url("bram")).json()["news"]
    assert [(one["change"]["field"], one["change"]["item"]) for one in news] == [
        ("conditions", "high_blood_pressure_treated")
    ]
    before = client.get(url("bram")).json()
    assert "HLT04" in {f["code"] for f in before["evaluation"]["findings"] if f["severity"] == "refuse"}
    # A change by hand does not make the plan know it.
    edit = {"kind": "change_step", "part_id": "back", "step": 2, "passes": 3}
    edited = client.post(url("bram", "/edits"), json={"revision": before["revision"], "edits": [edit]}).json()
    assert edited["news"] == news
    brief = edited["plan"]["flow"]["brief"]
    tried = client.post(url("bram", "/adjustment"), json={"brief": brief}).json()
    assert max(e["depth"] or 0 for e in tried["evaluation"]["sheet"]["entries"]) <= 3
    taken = client.put(
        url("bram", "/adjustment"), json={"revision": edited["revision"], "brief": brief}
    ).json()
    assert taken["news"] == client.get(url("bram")).json()["news"] == []
    # Stepping back to what did not know it makes it news again.
    undone = client.post(url("bram", "/undo"), json={"revision": taken["revision"]}).json()
    assert undone["news"] == news
    assert client.post(url("bram", "/looked-at")).json()["news"] == []
