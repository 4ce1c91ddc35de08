-- What a client has told, how it came to be known, and the answers given before a session.

ALTER TABLE client
    ADD COLUMN emergency_contact text NOT NULL DEFAULT ''
        CONSTRAINT client_emergency_contact_length CHECK (length(emergency_contact) <= 200),
    ADD COLUMN birth_year integer CONSTRAINT client_birth_year CHECK (birth_year BETWEEN 1900 AND 2100),
    ADD COLUMN language text NOT NULL DEFAULT '' CONSTRAINT client_language_length CHECK (length(language) <= 80),
    ADD COLUMN clothing text NOT NULL DEFAULT '' CONSTRAINT client_clothing_length CHECK (length(clothing) <= 200),
    ADD COLUMN medicines text NOT NULL DEFAULT '' CONSTRAINT client_medicines_length CHECK (length(medicines) <= 1000),
    ADD COLUMN allergies text NOT NULL DEFAULT '' CONSTRAINT client_allergies_length CHECK (length(allergies) <= 1000),
    ADD COLUMN operations text NOT NULL DEFAULT '' CONSTRAINT client_operations_length CHECK (length(operations) <= 1000),
    ADD COLUMN injuries text NOT NULL DEFAULT '' CONSTRAINT client_injuries_length CHECK (length(injuries) <= 1000),
    ADD COLUMN aims text NOT NULL DEFAULT '' CONSTRAINT client_aims_length CHECK (length(aims) <= 1000),
    ADD COLUMN tension jsonb NOT NULL DEFAULT '[]',
    ADD COLUMN warmth text NOT NULL DEFAULT '' CONSTRAINT client_warmth CHECK (warmth IN ('', 'warm', 'usual', 'cool')),
    ADD COLUMN talk text NOT NULL DEFAULT '' CONSTRAINT client_talk CHECK (talk IN ('', 'quiet', 'some', 'talk')),
    ADD COLUMN music text NOT NULL DEFAULT '' CONSTRAINT client_music CHECK (music IN ('', 'none', 'soft')),
    ADD COLUMN oil text NOT NULL DEFAULT '' CONSTRAINT client_oil CHECK (oil IN ('', 'usual', 'little', 'none'));

-- Dated evidence: every change of what is known of a client, how it became known and who wrote it down. Append-only.
-- before and after are null where there was, or is, nothing.
CREATE TABLE client_change (
    practice_id uuid NOT NULL,
    client_id uuid NOT NULL,
    place bigint GENERATED ALWAYS AS IDENTITY,
    changed_at timestamptz NOT NULL DEFAULT now(),
    source text NOT NULL CONSTRAINT client_change_source
        CHECK (source IN ('by_hand', 'intake', 'day_question', 'plan', 'import', 'merge')),
    person_name text NOT NULL,
    field text NOT NULL,
    item text NOT NULL DEFAULT '',
    before jsonb,
    after jsonb,
    PRIMARY KEY (practice_id, client_id, place),
    FOREIGN KEY (practice_id, client_id) REFERENCES client ON DELETE CASCADE
);

-- A form that a client fills in. link_hash is of the one-time link, key_hash of the device that opened it: from then on
-- the link opens nothing. sequence counts the device's savings, so that one that comes late changes nothing.
CREATE TABLE intake (
    practice_id uuid NOT NULL,
    intake_id uuid NOT NULL,
    client_id uuid NOT NULL,
    link_hash bytea NOT NULL CONSTRAINT intake_link_unique UNIQUE,
    key_hash bytea CONSTRAINT intake_key_unique UNIQUE,
    made_at timestamptz NOT NULL DEFAULT now(),
    expires_at timestamptz NOT NULL,
    opened_at timestamptz,
    handed_in_at timestamptz,
    reviewed_at timestamptz,
    sequence integer NOT NULL DEFAULT 0,
    answers jsonb NOT NULL DEFAULT '{}',
    verdicts jsonb NOT NULL DEFAULT '{}',
    PRIMARY KEY (practice_id, intake_id),
    FOREIGN KEY (practice_id, client_id) REFERENCES client ON DELETE CASCADE
);
CREATE INDEX intake_by_client ON intake (practice_id, client_id, made_at);

-- That somebody was erased, without saying who.
CREATE TABLE erasure (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    erasure_id uuid NOT NULL,
    erased_at timestamptz NOT NULL DEFAULT now(),
    person_name text NOT NULL,
    counts jsonb NOT NULL,
    PRIMARY KEY (practice_id, erasure_id)
);

ALTER TABLE client_change ENABLE ROW LEVEL SECURITY;
ALTER TABLE client_change FORCE ROW LEVEL SECURITY;
ALTER TABLE intake ENABLE ROW LEVEL SECURITY;
ALTER TABLE intake FORCE ROW LEVEL SECURITY;
ALTER TABLE erasure ENABLE ROW LEVEL SECURITY;
ALTER TABLE erasure FORCE ROW LEVEL SECURITY;
CREATE POLICY own_client_change ON client_change USING (practice_id = tide_practice());
CREATE POLICY own_intake ON intake
    USING (practice_id = tide_practice() OR link_hash = tide_token() OR key_hash = tide_token());
CREATE POLICY own_erasure ON erasure USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON client_change, erasure TO mellow_tide_app;
GRANT SELECT, INSERT ON intake TO mellow_tide_app;
GRANT UPDATE (key_hash, opened_at, handed_in_at, reviewed_at, sequence, answers, verdicts) ON intake TO mellow_tide_app;

-- day_answer: what was answered to "anything new, anywhere to keep away from today?", null until it was asked. known_until:
-- what had become known of the client by then is in the standing plan, or was looked at beside it.
ALTER TABLE session
    ADD COLUMN day_answer jsonb,
    ADD COLUMN known_until timestamptz NOT NULL DEFAULT now();
ALTER TABLE plan_step ADD COLUMN known_until timestamptz NOT NULL DEFAULT now();
-- The owner, too, sees no practice's rows while row-level security is forced.
ALTER TABLE session NO FORCE ROW LEVEL SECURITY;
ALTER TABLE run_event NO FORCE ROW LEVEL SECURITY;
UPDATE session s SET day_answer = '{}'
WHERE EXISTS (SELECT FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id);
ALTER TABLE session FORCE ROW LEVEL SECURITY;
ALTER TABLE run_event FORCE ROW LEVEL SECURITY;
ALTER TABLE session DROP COLUMN day_question;
GRANT UPDATE (day_answer, known_until) ON session TO mellow_tide_app;

-- Two entries of one person become one: sessions, intakes and evidence of the other go to the one that is kept. The
-- application's role may not move or delete what was tapped and told, save by these two.
CREATE FUNCTION merge_client(kept uuid, other uuid) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER
    SET search_path = public, pg_temp AS $$
DECLARE moved integer;
BEGIN
    IF kept = other THEN RAISE EXCEPTION 'one client cannot be merged with itself'; END IF;
    UPDATE session SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    GET DIAGNOSTICS moved = ROW_COUNT;
    UPDATE intake SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    UPDATE client_change SET client_id = kept WHERE practice_id = tide_practice() AND client_id = other;
    DELETE FROM client WHERE practice_id = tide_practice() AND client_id = other;
    RETURN moved;
END $$;

CREATE FUNCTION erase_client(gone uuid) RETURNS jsonb LANGUAGE plpgsql SECURITY DEFINER
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
    -- Plans, versions, events and logs go with their sessions; intakes and evidence with the client.
    DELETE FROM session WHERE practice_id = tide_practice() AND client_id = gone;
    DELETE FROM client WHERE practice_id = tide_practice() AND client_id = gone;
    RETURN counts;
END $$;
REVOKE ALL ON FUNCTION merge_client(uuid, uuid), erase_client(uuid) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION merge_client(uuid, uuid), erase_client(uuid) TO mellow_tide_app;
