from tests.web.test_sessions import change, fields, url


def session(client, name="bram"):
    answer = client.get(url(name))
    assert answer.status_code == 200
    return answer.json()


def hips(client):
    change(client, "bram", booked_minutes=75, focus=["hips"])
    return next(s for s in session(client)["plan"]["flow"]["parts"] if s["region"] == "hips")["id"]


def longer_kneading(client, part):
    """A stroke of the part with a pass more."""
    steps = next(s for s in session(client)["plan"]["flow"]["parts"] if s["id"] == part)["steps"]
    at, step = next((i, step) for i, step in enumerate(steps) if step["slot"] == "knead")
    return [{"kind": "change_step", "part_id": part, "step": at, "passes": step["passes"] + 1}]


def edit(client, edits, name="bram"):
    revision = session(client, name)["revision"]
    return client.post(url(name, "/edits"), json={"revision": revision, "edits": edits})


def test_a_landing_can_be_taken_as_it_is_offered(client):
    part = hips(client)
    places = client.get(url("bram", f"/parts/{part}/places")).json()
    assert places["other_side"] is None
    there = next(x for x in places["landings"] if x["edits"])
    made = edit(client, there["edits"])
    assert made.status_code == 200, made.text
    assert made.json()["plan"]["flow"]["parts"][there["at"]]["id"] == part
    assert made.json()["plan"]["order_by_hand"]


def test_a_place_for_a_part_that_is_not_there_is_refused(client):
    assert "part_id" in fields(client.get(url("bram", "/parts/tail/places")))
    assert "part_id" in fields(client.get(url("bram", "/parts/tail/strokes")))


def test_a_stroke_that_fits_is_taken_and_one_that_does_not_says_why(client):
    part = hips(client)
    picks = client.get(url("bram", f"/parts/{part}/strokes")).json()
    assert edit(client, next(p for p in picks if not p["why_not"])["edits"]).status_code == 200
    assert all(p["why_not"] for p in picks if not p["edits"])


def test_what_is_typed_is_offered_and_taken(client):
    part = hips(client)
    found = client.get(url("bram", "/suggestions"), params={"line": "hips knead 2", "at": part}).json()
    assert found[0]["says"].startswith("Kneading on the hips, 2 passes")
    assert edit(client, found[0]["edits"]).status_code == 200
    assert client.get(url("bram", "/suggestions"), params={"line": "x" * 81}).status_code == 422


def test_edits_are_tried_without_being_stored(client):
    part = hips(client)
    before = session(client)
    edits = longer_kneading(client, part)
    tried = client.post(url("bram", "/edits/trial"), json={"edits": edits}).json()
    assert [c["region"] for c in tried["difference"]["changes"]] == ["hips"]
    assert session(client) == before


def test_repairs_are_tried_together(client):
    hips(client)
    tried = client.get(url("bram", "/mending")).json()
    assert bool(tried["adjustment"]) == bool(tried["mending"]["edits"])
    assert client.get(url("bram", "/mending"), params={"severity": "grave"}).status_code == 422


def test_what_changed_meanwhile_is_named(client):
    part = hips(client)
    seen = session(client)["plan"]["flow"]
    edit(client, longer_kneading(client, part))
    apart = client.post(url("bram", "/difference"), json={"flow": seen}).json()
    assert [c["region"] for c in apart["changes"]] == ["hips"]


def test_another_brief_is_compared_without_being_stored(client):
    hips(client)
    before = session(client)
    brief = {**before["plan"]["flow"]["brief"], "school": "feet_upwards"}
    beside = client.post(url("bram", "/comparison"), json={"brief": brief}).json()
    assert beside["plan"]["flow"]["brief"]["school"] == "feet_upwards"
    assert beside["difference"]["reordered"]
    assert session(client) == before


def test_a_version_is_kept_compared_brought_back_renamed_and_forgotten(client):
    hips(client)
    kept = session(client)
    assert client.post(url("bram", "/versions"), json={"name": " Before the call "}).status_code == 204
    taken = client.post(url("bram", "/versions"), json={"name": "Before the call"})
    assert taken.status_code == 409
    assert taken.json()["title"] == "This name is taken."
    change(client, "bram", booked_minutes=45)
    (version,) = client.get(url("bram", "/versions")).json()
    assert (version["name"], version["stands"]) == ("Before the call", False)
    one = f"/versions/{version['version_id']}"
    beside = client.get(url("bram", f"{one}/comparison")).json()
    assert beside["plan"]["flow"] == kept["plan"]["flow"]
    at = {"revision": session(client)["revision"]}
    assert client.post(url("bram", f"{one}/stand"), json={"revision": 0}).status_code == 409
    again = client.post(url("bram", f"{one}/stand"), json=at).json()
    assert again["plan"] == kept["plan"]
    assert again["can_undo"]
    assert client.put(url("bram", one), json={"name": "Hips"}).status_code == 204
    assert [v["name"] for v in client.get(url("bram", "/versions")).json()] == ["Hips"]
    assert client.delete(url("bram", one)).status_code == 204
    assert client.delete(url("bram", one)).status_code == 404
    assert client.post(url("bram", "/versions"), json={"name": "  "}).status_code == 422


def flows(client):
    answer = client.get("/api/flows")
    assert answer.status_code == 200
    return answer.json()


def test_the_library_ships_flows_of_every_kind_once(client):
    first = flows(client)
    assert [flow["flow_id"] for flow in flows(client)] == [flow["flow_id"] for flow in first]
    assert len(first) >= 12
    assert all(flow["shipped"] and flow["outline"]["strokes"] for flow in first)


def test_a_flow_is_kept_copied_described_and_put_away(client):
    hips(client)
    session_id = session(client)["session_id"]
    new = {"session_id": session_id, "name": "Bram, hips"}
    kept = client.post("/api/flows", json=new).json()
    assert kept["brief"]["focus"] == ["hips"]
    copy = client.post(f"/api/flows/{kept['flow_id']}/copy", json={"name": "Another"}).json()
    assert copy["outline"] == kept["outline"]
    one = f"/api/flows/{copy['flow_id']}"
    away = {"revision": copy["revision"], "name": "Another", "note": "Slow.", "archived": True}
    assert client.put(one, json=away).json()["archived"]
    assert client.put(one, json=away).status_code == 409
    assert flows(client)[-1]["name"] == "Another"
    assert flows(client)[0]["name"] == "Bram, hips"
    params = {"first": kept["flow_id"], "second": flows(client)[1]["flow_id"]}
    assert client.get("/api/flows/comparison", params=params).json()["names"][0] == "Bram, hips"


def test_a_kept_flow_does_not_carry_what_that_client_wished_left_out(client):
    change(client, "corin", booked_minutes=60, leave_out=["foot"])
    new = {"session_id": session(client, "corin")["session_id"], "name": "An hour"}
    kept = client.post("/api/flows", json=new).json()
    assert kept["brief"]["leave_out"] == []
    change(client, "isolde", booked_minutes=75)
    tried = client.get(url("isolde", "/start"), params={"flow_id": kept["flow_id"]}).json()
    assert "foot" not in tried["plan"]["flow"]["brief"]["leave_out"]
    change(client, "corin", booked_minutes=60, leave_out=[])


def test_a_session_starts_from_a_flow_adapted_to_its_client(client):
    change(client, "isolde", booked_minutes=60)
    long = next(flow for flow in flows(client) if flow["name"] == "The long ebb")
    tried = client.get(url("isolde", "/start"), params={"flow_id": long["flow_id"]}).json()
    named = {one["region"]: one["reason"] for one in tried["named"]}
    # It is made for 75 minutes, and Isolde has an hour.
    assert set(named.values()) == {"less_time"}
    at = {"revision": session(client, "isolde")["revision"], "flow_id": long["flow_id"]}
    made = client.put(url("isolde", "/start"), json=at).json()
    assert made["plan"]["flow"] == tried["plan"]["flow"]
    assert made["plan"]["flow"]["brief"]["booked_minutes"] == 60
    assert [f for f in made["evaluation"]["findings"] if f["severity"] == "refuse"] == []


def test_places_to_keep_off_are_stored_with_the_plan_that_keeps_off_them(client):
    change(client, "corin", booked_minutes=75)
    at = session(client, "corin")["revision"]
    off = [{"region": "foot", "side": "left", "because": "a plaster"}]
    made = client.put(url("corin", "/excluded"), json={"revision": at, "excluded": off}).json()
    worked = {(s["region"], s["side"]) for s in made["plan"]["flow"]["parts"] if s["role"] == "work"}
    assert ("foot", "left") not in worked
    assert made["evaluation"]["restrictions"]["excluded"][0]["because"] == "a plaster"
    assert [f for f in made["evaluation"]["findings"] if f["severity"] == "refuse"] == []
    assert session(client, "corin")["evaluation"]["restrictions"]["excluded"] == [{**off[0], "zone": None}]
    stale = client.put(url("corin", "/excluded"), json={"revision": at, "excluded": []})
    assert stale.status_code == 409
    assert session(client, "corin")["evaluation"]["restrictions"]["excluded"]
    again = {"revision": made["revision"], "excluded": [{"region": "foot", "zone": "tail"}]}
    assert "excluded" in fields(client.put(url("corin", "/excluded"), json=again))
    again["excluded"] = []
    assert client.put(url("corin", "/excluded"), json=again).status_code == 200
