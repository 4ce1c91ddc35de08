-- What is ready for a session, ticked on any device of the practice; and what aches before the first client of a day.

CREATE TABLE prepared_item (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    item text NOT NULL CONSTRAINT prepared_item_length CHECK (length(item) <= 80),
    done_at timestamptz NOT NULL,
    done_by text NOT NULL,
    PRIMARY KEY (practice_id, session_id, item),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);

CREATE TABLE self_check (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    day date NOT NULL,
    wrists integer NOT NULL CONSTRAINT self_check_wrists CHECK (wrists BETWEEN 0 AND 10),
    thumbs integer NOT NULL CONSTRAINT self_check_thumbs CHECK (thumbs BETWEEN 0 AND 10),
    back integer NOT NULL CONSTRAINT self_check_back CHECK (back BETWEEN 0 AND 10),
    PRIMARY KEY (practice_id, person_id, day),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE
);

ALTER TABLE prepared_item ENABLE ROW LEVEL SECURITY;
ALTER TABLE prepared_item FORCE ROW LEVEL SECURITY;
ALTER TABLE self_check ENABLE ROW LEVEL SECURITY;
ALTER TABLE self_check FORCE ROW LEVEL SECURITY;
CREATE POLICY own_prepared_item ON prepared_item USING (practice_id = tide_practice());
CREATE POLICY own_self_check ON self_check USING (practice_id = tide_practice());
GRANT SELECT, INSERT, DELETE ON prepared_item TO mellow_tide_app;
GRANT SELECT, INSERT, UPDATE (wrists, thumbs, back) ON self_check TO mellow_tide_app;
