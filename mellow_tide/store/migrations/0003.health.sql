-- What of a client's health changes a plan: condition ids of the catalogue, and the due date of a pregnancy.

ALTER TABLE client
    ADD COLUMN conditions text[] NOT NULL DEFAULT '{}',
    ADD COLUMN due_date date;
