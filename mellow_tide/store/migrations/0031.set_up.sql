-- How a client is set up on the table and in the chair: what was found once is there the next time.

ALTER TABLE client
    ADD COLUMN table_set_up text NOT NULL DEFAULT '' CONSTRAINT table_set_up_length CHECK (length(table_set_up) <= 200),
    ADD COLUMN chair_set_up text NOT NULL DEFAULT '' CONSTRAINT chair_set_up_length CHECK (length(chair_set_up) <= 200);
