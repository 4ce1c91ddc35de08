-- Which entries became one: an erasure is of all of them, so that a backup from before the merging brings none back.

CREATE TABLE client_merge (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    other_id uuid NOT NULL,
    kept_id uuid NOT NULL,
    PRIMARY KEY (practice_id, other_id)
);
ALTER TABLE client_merge ENABLE ROW LEVEL SECURITY;
ALTER TABLE client_merge FORCE ROW LEVEL SECURITY;
CREATE POLICY own_client_merge ON client_merge USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON client_merge TO mellow_tide_app;
