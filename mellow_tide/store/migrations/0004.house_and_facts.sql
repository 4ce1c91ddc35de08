-- What a practice has chosen where schools differ, and what else of a client and of the day changes a plan.

ALTER TABLE practice ADD COLUMN house jsonb NOT NULL DEFAULT '{}';

-- excluded: places to keep away from, as the core's records; declined and consents: consent ids of the catalogue.
ALTER TABLE client
    ADD COLUMN declined text[] NOT NULL DEFAULT '{}',
    ADD COLUMN weight_kg integer CONSTRAINT client_weight CHECK (weight_kg BETWEEN 25 AND 300),
    ADD COLUMN breaths_per_minute integer NOT NULL DEFAULT 12
        CONSTRAINT client_breaths CHECK (breaths_per_minute BETWEEN 4 AND 40),
    ADD COLUMN body_hair text NOT NULL DEFAULT 'usual' CONSTRAINT client_body_hair CHECK (body_hair IN ('usual', 'much')),
    ADD COLUMN skin text NOT NULL DEFAULT 'usual' CONSTRAINT client_skin CHECK (skin IN ('usual', 'dry')),
    ADD COLUMN excluded jsonb NOT NULL DEFAULT '[]';

-- "Anything new, anywhere to keep away from today?"
ALTER TABLE session
    ADD COLUMN day_question text NOT NULL DEFAULT 'not_due'
        CONSTRAINT session_day_question CHECK (day_question IN ('not_due', 'open', 'answered'));
