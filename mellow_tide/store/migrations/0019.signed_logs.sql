-- A signed log is closed in the database itself: no revision comes after it. Taps that come later, from a device that was
-- offline, are kept and marked, and change nothing of what was signed.

ALTER TABLE run_event ADD COLUMN after_signing boolean NOT NULL DEFAULT false;

-- The owner, too, sees no practice's rows while row-level security is forced.
ALTER TABLE run_event NO FORCE ROW LEVEL SECURITY;
ALTER TABLE session_log NO FORCE ROW LEVEL SECURITY;
UPDATE run_event e SET after_signing = true
FROM session_log l
WHERE l.practice_id = e.practice_id AND l.session_id = e.session_id AND l.signed_by IS NOT NULL
  AND e.received_at > l.logged_at;
ALTER TABLE run_event FORCE ROW LEVEL SECURITY;
ALTER TABLE session_log FORCE ROW LEVEL SECURITY;

CREATE FUNCTION tide_signed(of_practice uuid, of_session uuid) RETURNS boolean LANGUAGE sql STABLE
    AS $$ SELECT EXISTS (SELECT FROM session_log l WHERE l.practice_id = of_practice AND l.session_id = of_session
                         AND l.signed_by IS NOT NULL) $$;

CREATE FUNCTION tide_mark_late() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    NEW.after_signing := tide_signed(NEW.practice_id, NEW.session_id);
    RETURN NEW;
END $$;
CREATE TRIGGER run_event_late BEFORE INSERT ON run_event FOR EACH ROW EXECUTE FUNCTION tide_mark_late();

CREATE FUNCTION tide_refuse_after_signing() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF tide_signed(NEW.practice_id, NEW.session_id) THEN
        RAISE EXCEPTION 'the log is signed' USING ERRCODE = 'integrity_constraint_violation',
            CONSTRAINT = 'session_log_signed';
    END IF;
    RETURN NEW;
END $$;
CREATE TRIGGER session_log_signed BEFORE INSERT OR UPDATE ON session_log
    FOR EACH ROW EXECUTE FUNCTION tide_refuse_after_signing();

-- What counts of a run: all that came before its log was signed.
CREATE VIEW counted_event WITH (security_invoker = true) AS
SELECT practice_id, session_id, event_id, place, event, received_at FROM run_event WHERE NOT after_signing;
GRANT SELECT ON counted_event TO mellow_tide_app;
