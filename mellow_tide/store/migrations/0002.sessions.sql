-- Clients, their sessions, the events of a run and the log.

CREATE TABLE client (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    client_id uuid NOT NULL,
    name text NOT NULL CONSTRAINT client_name_length CHECK (length(name) BETWEEN 1 AND 120),
    height_cm integer NOT NULL DEFAULT 170 CONSTRAINT client_height CHECK (height_cm BETWEEN 100 AND 230),
    consents text[] NOT NULL DEFAULT '{}',
    know_first text NOT NULL DEFAULT '',
    PRIMARY KEY (practice_id, client_id)
);

-- plan holds the brief, the flow and what was left out, as made by the core; it is replaced as a whole
-- and revision counts how often. Once a run has begun it stands.
CREATE TABLE session (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    session_id uuid NOT NULL,
    client_id uuid NOT NULL,
    person_id uuid NOT NULL,
    starts_at timestamptz NOT NULL,
    revision integer NOT NULL DEFAULT 1,
    plan jsonb NOT NULL,
    PRIMARY KEY (practice_id, session_id),
    FOREIGN KEY (practice_id, client_id) REFERENCES client,
    FOREIGN KEY (practice_id, person_id) REFERENCES membership
);
CREATE INDEX session_by_day ON session (practice_id, starts_at);

-- Append-only. event_id is made by the device; place keeps the order of arrival, which is the device's own.
CREATE TABLE run_event (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    event_id uuid NOT NULL,
    place bigint GENERATED ALWAYS AS IDENTITY,
    event jsonb NOT NULL,
    received_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, event_id),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

-- Each saving of the log is a revision of its own; the newest is the log.
CREATE TABLE session_log (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    revision integer NOT NULL,
    log jsonb NOT NULL,
    logged_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, revision),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

ALTER TABLE client ENABLE ROW LEVEL SECURITY;
ALTER TABLE client FORCE ROW LEVEL SECURITY;
ALTER TABLE session ENABLE ROW LEVEL SECURITY;
ALTER TABLE session FORCE ROW LEVEL SECURITY;
ALTER TABLE run_event ENABLE ROW LEVEL SECURITY;
ALTER TABLE run_event FORCE ROW LEVEL SECURITY;
ALTER TABLE session_log ENABLE ROW LEVEL SECURITY;
ALTER TABLE session_log FORCE ROW LEVEL SECURITY;

CREATE POLICY own_client ON client USING (practice_id = tide_practice());
CREATE POLICY own_session ON session USING (practice_id = tide_practice());
CREATE POLICY own_run_event ON run_event USING (practice_id = tide_practice());
CREATE POLICY own_session_log ON session_log USING (practice_id = tide_practice());

GRANT SELECT, INSERT, UPDATE ON client TO mellow_tide_app;
GRANT SELECT, INSERT ON session TO mellow_tide_app;
GRANT UPDATE (plan, revision) ON session TO mellow_tide_app;
GRANT SELECT, INSERT ON run_event, session_log TO mellow_tide_app;
