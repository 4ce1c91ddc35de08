-- The door: attempts to sign in are counted by account and by address, a browser that signed in before is known, what is
-- over is pruned. What touches safety is written down, without anything that was said of anybody.

-- Anybody may see and take away sign-ins that have run out; they let nobody in.
CREATE POLICY expired_sign_in_seen ON sign_in FOR SELECT USING (expires_at < tide_now());
CREATE POLICY expired_sign_in_gone ON sign_in FOR DELETE USING (expires_at < tide_now());

-- Attempts are those that have begun, until one succeeds.
ALTER TABLE sign_in_attempt RENAME COLUMN failed_at TO at;

-- A browser in which a person signed in before; only the hash of what it holds is kept.
CREATE TABLE known_browser (
    token_hash bytea PRIMARY KEY,
    person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
    known_since timestamptz NOT NULL
);
ALTER TABLE known_browser ENABLE ROW LEVEL SECURITY;
ALTER TABLE known_browser FORCE ROW LEVEL SECURITY;
CREATE POLICY own_known_browser ON known_browser USING (token_hash = tide_token() OR person_id = tide_person());
GRANT SELECT, INSERT, DELETE ON known_browser TO mellow_tide_app;

-- A sign-in that fails belongs to no practice; whose it would have been is known by the e-mail's hash.
CREATE TABLE security_event (
    event_id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    at timestamptz NOT NULL,
    kind text NOT NULL CONSTRAINT security_event_kind CHECK (kind IN (
        'signed_in', 'sign_in_failed', 'signed_out', 'exported', 'erased', 'demo_reset', 'restored')),
    practice_id uuid REFERENCES practice ON DELETE CASCADE,
    person_id uuid REFERENCES person ON DELETE SET NULL,
    what text NOT NULL DEFAULT '' CONSTRAINT security_event_what_length CHECK (length(what) <= 80)
);
CREATE INDEX security_event_of_practice ON security_event (practice_id, at);
ALTER TABLE security_event ENABLE ROW LEVEL SECURITY;
ALTER TABLE security_event FORCE ROW LEVEL SECURITY;
CREATE POLICY own_security_event ON security_event FOR SELECT USING (practice_id = tide_practice());
CREATE POLICY add_security_event ON security_event FOR INSERT
    WITH CHECK (practice_id IS NULL OR practice_id = tide_practice() OR person_id = tide_person());
-- Nothing is changed afterwards; what is older than 400 days may go.
CREATE POLICY old_security_event_seen ON security_event FOR SELECT USING (at < tide_now() - interval '400 days');
CREATE POLICY old_security_event_gone ON security_event FOR DELETE USING (at < tide_now() - interval '400 days');
GRANT SELECT, INSERT, DELETE ON security_event TO mellow_tide_app;
