-- A private address under which a therapist's own sessions can be read by another calendar.

CREATE TABLE calendar_feed (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    token_hash bytea NOT NULL CONSTRAINT calendar_feed_token UNIQUE,
    names boolean NOT NULL,
    made_at timestamptz NOT NULL,
    PRIMARY KEY (practice_id, person_id),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE
);

ALTER TABLE calendar_feed ENABLE ROW LEVEL SECURITY;
ALTER TABLE calendar_feed FORCE ROW LEVEL SECURITY;
CREATE POLICY own_calendar_feed ON calendar_feed
    USING (practice_id = tide_practice() OR token_hash = tide_token())
    WITH CHECK (practice_id = tide_practice());
GRANT SELECT, INSERT, DELETE, UPDATE (names) ON calendar_feed TO mellow_tide_app;
