-- A therapist's own pace as they accepted it: factors by stroke or stroke/region. Append-only; a session goes by the last
-- one that was accepted before it began, so that what was planned then stays as it was.
CREATE TABLE own_pace (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    number integer NOT NULL,
    factors jsonb NOT NULL,
    accepted_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, person_id, number),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE
);
ALTER TABLE own_pace ENABLE ROW LEVEL SECURITY;
ALTER TABLE own_pace FORCE ROW LEVEL SECURITY;
CREATE POLICY own_own_pace ON own_pace USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON own_pace TO mellow_tide_app;
