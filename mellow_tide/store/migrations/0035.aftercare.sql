-- The practice's own words for what a client takes home; empty: the usual ones.

ALTER TABLE practice ADD COLUMN aftercare text NOT NULL DEFAULT ''
    CONSTRAINT aftercare_length CHECK (length(aftercare) <= 4000);
GRANT UPDATE (aftercare) ON practice TO mellow_tide_app;
