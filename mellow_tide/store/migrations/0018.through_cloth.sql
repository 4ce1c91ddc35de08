-- What the client wants worked only through the sheet: a third answer beside yes and no.

ALTER TABLE client ADD COLUMN through_cloth text[] NOT NULL DEFAULT '{}';
