-- Presses of the simulated foot switch, for a moment: the table's screen fetches them as a real one sends its keys.
CREATE TABLE foot_switch_press (
    practice_id uuid NOT NULL,
    person_id uuid NOT NULL,
    number bigint GENERATED ALWAYS AS IDENTITY,
    key text NOT NULL,
    pressed_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, person_id, number),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE
);
ALTER TABLE foot_switch_press ENABLE ROW LEVEL SECURITY;
ALTER TABLE foot_switch_press FORCE ROW LEVEL SECURITY;
CREATE POLICY own_foot_switch_press ON foot_switch_press USING (practice_id = tide_practice());
GRANT SELECT, INSERT, DELETE ON foot_switch_press TO mellow_tide_app;
