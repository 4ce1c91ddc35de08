-- The plans of a session in the order they were made, so that a change can be taken back and done again. The one that
-- stands is also in session.plan; session.place says which it is. A new plan ends what could have been done again.
CREATE TABLE plan_step (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    place integer NOT NULL CONSTRAINT plan_step_place CHECK (place >= 0),
    plan jsonb NOT NULL,
    made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, place),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);
ALTER TABLE plan_step ENABLE ROW LEVEL SECURITY;
ALTER TABLE plan_step FORCE ROW LEVEL SECURITY;
CREATE POLICY own_plan_step ON plan_step USING (practice_id = tide_practice());
GRANT SELECT, INSERT, DELETE ON plan_step TO mellow_tide_app;

ALTER TABLE session ADD COLUMN place integer NOT NULL DEFAULT 0;
GRANT UPDATE (place) ON session TO mellow_tide_app;
