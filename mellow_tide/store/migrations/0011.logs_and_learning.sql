-- A signed log is changed no more: what is to be said later is added to it, dated.
ALTER TABLE session_log ADD COLUMN signed_by text;

CREATE TABLE session_log_addition (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    number integer NOT NULL,
    words text NOT NULL,
    person_name text NOT NULL,
    added_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, number),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

-- What a session leaves for the next ones, until it is ticked off in one of them. Whose it is, the session tells.
CREATE TABLE follow_up (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    number integer NOT NULL,
    kind text NOT NULL CONSTRAINT follow_up_kind CHECK (kind IN ('point', 'wish', 'question')),
    words text NOT NULL,
    made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    done_at timestamptz,
    done_in uuid,
    done_by text,
    PRIMARY KEY (practice_id, session_id, number),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

-- Whether a visit counts for what is learnt: append-only, the last mark stands.
CREATE TABLE visit_mark (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    number integer NOT NULL,
    left_out boolean NOT NULL,
    reason text NOT NULL,
    person_name text NOT NULL,
    marked_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id, number),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

ALTER TABLE session_log_addition ENABLE ROW LEVEL SECURITY;
ALTER TABLE session_log_addition FORCE ROW LEVEL SECURITY;
ALTER TABLE follow_up ENABLE ROW LEVEL SECURITY;
ALTER TABLE follow_up FORCE ROW LEVEL SECURITY;
ALTER TABLE visit_mark ENABLE ROW LEVEL SECURITY;
ALTER TABLE visit_mark FORCE ROW LEVEL SECURITY;
CREATE POLICY own_session_log_addition ON session_log_addition USING (practice_id = tide_practice());
CREATE POLICY own_follow_up ON follow_up USING (practice_id = tide_practice());
CREATE POLICY own_visit_mark ON visit_mark USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON session_log_addition, follow_up, visit_mark TO mellow_tide_app;
GRANT UPDATE (done_at, done_in, done_by) ON follow_up TO mellow_tide_app;

-- What is learnt is evidence like the rest, and a wish that is set by hand may say why.
ALTER TABLE client_change ADD COLUMN reason text NOT NULL DEFAULT '';
ALTER TABLE client_change DROP CONSTRAINT client_change_source;
ALTER TABLE client_change ADD CONSTRAINT client_change_source
    CHECK (source IN ('by_hand', 'intake', 'day_question', 'plan', 'import', 'merge', 'learnt'));
