-- By how many minutes a plan for a late client moved the start: taking it back moves the start back, too.
ALTER TABLE plan_step ADD COLUMN late_minutes integer NOT NULL DEFAULT 0
    CONSTRAINT plan_step_late_minutes CHECK (late_minutes BETWEEN 0 AND 120);
GRANT UPDATE (late_minutes) ON plan_step TO mellow_tide_app;
