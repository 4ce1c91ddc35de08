-- Where on a client their conditions are: a list of condition and places; no place says nowhere that is worked.

ALTER TABLE client ADD COLUMN condition_places jsonb NOT NULL DEFAULT '[]';
