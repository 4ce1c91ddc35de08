-- Time of a therapist in which no session is to be, out of another calendar: seen by nobody else by name.

CREATE TABLE calendar_block (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    block_id uuid NOT NULL,
    event_uid text NOT NULL CONSTRAINT calendar_block_uid_length CHECK (length(event_uid) <= 400),
    title text NOT NULL CONSTRAINT calendar_block_title_length CHECK (length(title) <= 200),
    starts_at timestamptz NOT NULL,
    ends_at timestamptz NOT NULL,
    whole_days boolean NOT NULL,
    PRIMARY KEY (practice_id, block_id),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE,
    CONSTRAINT calendar_block_ends_after_start CHECK (starts_at <= ends_at)
);
CREATE INDEX calendar_block_by_person ON calendar_block (practice_id, person_id, starts_at);

ALTER TABLE calendar_block ENABLE ROW LEVEL SECURITY;
ALTER TABLE calendar_block FORCE ROW LEVEL SECURITY;
CREATE POLICY own_calendar_block ON calendar_block USING (practice_id = tide_practice());
GRANT SELECT, INSERT, UPDATE, DELETE ON calendar_block TO mellow_tide_app;
