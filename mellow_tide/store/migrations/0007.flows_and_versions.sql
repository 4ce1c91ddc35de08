-- Flows kept by a practice, to start sessions from, and the versions of a session's plan that were given a name.

-- flow holds brief and stops as made by the core. A shipped flow came with the product; origin is its name there.
CREATE TABLE flow (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    flow_id uuid NOT NULL,
    name text NOT NULL CONSTRAINT flow_name_length CHECK (length(name) BETWEEN 1 AND 80),
    note text NOT NULL DEFAULT '' CONSTRAINT flow_note_length CHECK (length(note) <= 400),
    flow jsonb NOT NULL,
    gestation_days integer,
    origin text,
    archived boolean NOT NULL DEFAULT false,
    revision integer NOT NULL DEFAULT 1,
    made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, flow_id),
    CONSTRAINT flow_origin_once UNIQUE (practice_id, origin)
);

CREATE TABLE plan_version (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    version_id uuid NOT NULL,
    name text NOT NULL CONSTRAINT version_name_length CHECK (length(name) BETWEEN 1 AND 80),
    plan jsonb NOT NULL,
    made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, version_id),
    CONSTRAINT version_name_once UNIQUE (practice_id, session_id, name),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

ALTER TABLE flow ENABLE ROW LEVEL SECURITY;
ALTER TABLE flow FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_version ENABLE ROW LEVEL SECURITY;
ALTER TABLE plan_version FORCE ROW LEVEL SECURITY;
CREATE POLICY own_flow ON flow USING (practice_id = tide_practice());
CREATE POLICY own_plan_version ON plan_version USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON flow TO mellow_tide_app;
GRANT UPDATE (name, note, archived, revision) ON flow TO mellow_tide_app;
GRANT SELECT, INSERT, DELETE ON plan_version TO mellow_tide_app;
GRANT UPDATE (name) ON plan_version TO mellow_tide_app;
