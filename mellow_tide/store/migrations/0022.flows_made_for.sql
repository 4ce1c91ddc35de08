-- A flow kept from a session was made for its client; once they are erased it says nothing of them.

ALTER TABLE flow ADD COLUMN made_for uuid;

CREATE OR REPLACE FUNCTION merge_client(kept uuid, other uuid) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER
    SET search_path = public, pg_temp AS $$
DECLARE moved integer;
BEGIN
    IF kept = other THEN RAISE EXCEPTION 'one client cannot be merged with itself'; END IF;
    UPDATE session SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    GET DIAGNOSTICS moved = ROW_COUNT;
    UPDATE intake SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    UPDATE client_change SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    UPDATE flow SET made_for = kept WHERE practice_id = tide_practice() AND made_for = other;
    DELETE FROM client WHERE practice_id = tide_practice() AND client_id = other;
    RETURN moved;
END $$;

-- The steps of a part without what was noted beside them.
CREATE FUNCTION tide_without_notes(parts jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
    SELECT jsonb_agg(
        jsonb_set(part, '{steps}', (
            SELECT coalesce(jsonb_agg(step - 'note' ORDER BY n), '[]')
            FROM jsonb_array_elements(part -> 'steps') WITH ORDINALITY AS of_part (step, n)
        )) ORDER BY m)
    FROM jsonb_array_elements(parts) WITH ORDINALITY AS of_flow (part, m)
$$;

-- A text with "a client" in the place of every word of a name that has three letters or more.
CREATE FUNCTION tide_without_name(told text, name text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
    SELECT CASE WHEN words IS NULL THEN told
                ELSE left(regexp_replace(told, '\m(' || words || ')(\s+(' || words || '))*\M', 'a client', 'gi'), 80) END
    FROM (SELECT string_agg(regexp_replace(word, '([.*+?^${}()|\[\]\\])', '\\\1', 'g'), '|') AS words
          FROM regexp_split_to_table(name, '\s+') AS word WHERE length(word) >= 3) AS found
$$;

CREATE OR REPLACE FUNCTION erase_client(gone uuid) RETURNS jsonb LANGUAGE plpgsql SECURITY DEFINER
    SET search_path = public, pg_temp AS $$
DECLARE counts jsonb;
BEGIN
    SELECT jsonb_build_object(
        'sessions', (SELECT count(*) FROM session s WHERE s.practice_id = tide_practice() AND s.client_id = gone),
        'events', (SELECT count(*) FROM run_event e JOIN session s USING (practice_id, session_id)
                   WHERE s.practice_id = tide_practice() AND s.client_id = gone),
        'logs', (SELECT count(DISTINCT l.session_id) FROM session_log l JOIN session s USING (practice_id, session_id)
                 WHERE s.practice_id = tide_practice() AND s.client_id = gone),
        'intakes', (SELECT count(*) FROM intake i WHERE i.practice_id = tide_practice() AND i.client_id = gone),
        'changes', (SELECT count(*) FROM client_change h WHERE h.practice_id = tide_practice() AND h.client_id = gone)
    ) INTO counts;
    UPDATE flow f SET name = tide_without_name(f.name, c.name || ' ' || c.address_as),
                      note = '', made_for = NULL, revision = f.revision + 1,
                      flow = jsonb_set(f.flow, '{parts}', tide_without_notes(f.flow -> 'parts'))
    FROM client c
    WHERE f.practice_id = tide_practice() AND f.made_for = gone AND c.practice_id = f.practice_id AND c.client_id = gone;
    -- Plans, versions, events and logs go with their sessions; intakes and evidence with the client.
    DELETE FROM session WHERE practice_id = tide_practice() AND client_id = gone;
    DELETE FROM client WHERE practice_id = tide_practice() AND client_id = gone;
    RETURN counts;
END $$;
