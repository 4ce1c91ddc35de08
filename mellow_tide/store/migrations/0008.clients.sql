-- What a practice keeps of a client beside health and consents, and how a client is found again.

CREATE EXTENSION IF NOT EXISTS pg_trgm;

ALTER TABLE client
    ADD COLUMN address_as text NOT NULL DEFAULT '' CONSTRAINT client_address_as_length CHECK (length(address_as) <= 80),
    ADD COLUMN phone text NOT NULL DEFAULT '' CONSTRAINT client_phone_length CHECK (length(phone) <= 40),
    ADD COLUMN email text NOT NULL DEFAULT '' CONSTRAINT client_email_length CHECK (length(email) <= 200),
    ADD COLUMN note text NOT NULL DEFAULT '' CONSTRAINT client_note_length CHECK (length(note) <= 4000),
    ADD COLUMN archived boolean NOT NULL DEFAULT false,
    ADD COLUMN revision integer NOT NULL DEFAULT 1,
    ADD COLUMN digits text GENERATED ALWAYS AS (regexp_replace(phone, '[^0-9]', '', 'g')) STORED,
    ADD COLUMN sought text GENERATED ALWAYS AS (lower(name || ' ' || address_as || ' ' || know_first || ' ' || note)) STORED;
