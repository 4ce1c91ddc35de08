-- What a run adds to the practice's numbers, kept once it is counted. `mark` says by which rules and from which events;
-- another mark means that it is counted anew.
CREATE TABLE counted_run (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    mark text NOT NULL CONSTRAINT counted_run_mark_length CHECK (length(mark) <= 200),
    counted jsonb NOT NULL,
    PRIMARY KEY (practice_id, session_id),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

ALTER TABLE counted_run ENABLE ROW LEVEL SECURITY;
ALTER TABLE counted_run FORCE ROW LEVEL SECURITY;
CREATE POLICY own_counted_run ON counted_run USING (practice_id = tide_practice());
GRANT SELECT, INSERT, UPDATE ON counted_run TO mellow_tide_app;
