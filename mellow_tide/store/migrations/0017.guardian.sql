-- Who has agreed for a client under 18, or since when the client is of age.

ALTER TABLE client
    ADD COLUMN guardian text NOT NULL DEFAULT '' CONSTRAINT client_guardian_length CHECK (length(guardian) <= 200);
