-- A practice changes how it works by itself; every change is dated, with who made it. before and after are null where it
-- was, or is, as usual.

CREATE TABLE house_change (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    place bigint GENERATED ALWAYS AS IDENTITY,
    changed_at timestamptz NOT NULL DEFAULT now(),
    person_name text NOT NULL,
    item text NOT NULL CONSTRAINT house_change_item_length CHECK (length(item) <= 80),
    before text,
    after text,
    PRIMARY KEY (practice_id, place)
);
ALTER TABLE house_change ENABLE ROW LEVEL SECURITY;
ALTER TABLE house_change FORCE ROW LEVEL SECURITY;
CREATE POLICY own_house_change ON house_change USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON house_change TO mellow_tide_app;
GRANT UPDATE (house) ON practice TO mellow_tide_app;
