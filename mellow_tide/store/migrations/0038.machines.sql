-- Machines of the room that are paired, one of a kind; and at which heights each therapist works.

CREATE TABLE machine (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    kind text NOT NULL CONSTRAINT machine_kind_known CHECK (kind IN ('lift_table', 'towel_warmer')),
    name text NOT NULL CONSTRAINT machine_name_length CHECK (length(name) BETWEEN 1 AND 60),
    serial text NOT NULL CONSTRAINT machine_serial_length CHECK (length(serial) <= 40),
    port integer NOT NULL CONSTRAINT machine_port_known CHECK (port BETWEEN 8431 AND 8439),
    token text NOT NULL CONSTRAINT machine_token_length CHECK (length(token) <= 200),
    paired_at timestamptz NOT NULL,
    PRIMARY KEY (practice_id, kind)
);
ALTER TABLE machine ENABLE ROW LEVEL SECURITY;
ALTER TABLE machine FORCE ROW LEVEL SECURITY;
CREATE POLICY own_machine ON machine USING (practice_id = tide_practice());
GRANT SELECT, INSERT, DELETE ON machine TO mellow_tide_app;

CREATE TABLE table_heights (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    low_cm integer NOT NULL,
    high_cm integer NOT NULL,
    PRIMARY KEY (practice_id, person_id),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE,
    CONSTRAINT table_heights_in_order CHECK (40 <= low_cm AND low_cm <= high_cm AND high_cm <= 110)
);
ALTER TABLE table_heights ENABLE ROW LEVEL SECURITY;
ALTER TABLE table_heights FORCE ROW LEVEL SECURITY;
CREATE POLICY own_table_heights ON table_heights USING (practice_id = tide_practice());
GRANT SELECT, INSERT, UPDATE ON table_heights TO mellow_tide_app;
