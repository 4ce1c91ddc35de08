-- Practices that people open for themselves, and who works in them.

ALTER TABLE practice
    ADD COLUMN country text NOT NULL DEFAULT '' CONSTRAINT practice_country CHECK (country ~ '^([A-Z]{2})?$'),
    ADD COLUMN opened_at timestamptz NOT NULL DEFAULT now();
ALTER TABLE person ADD CONSTRAINT person_name_length CHECK (length(name) BETWEEN 1 AND 120);

-- Who works alone owns the practice. Whoever leaves stays known by what they did there.
ALTER TABLE membership DROP CONSTRAINT membership_role;
ALTER TABLE membership
    ADD COLUMN joined_at timestamptz NOT NULL DEFAULT now(),
    ADD COLUMN ended_at timestamptz;
ALTER TABLE membership NO FORCE ROW LEVEL SECURITY;
UPDATE membership SET role = 'owner';
ALTER TABLE membership FORCE ROW LEVEL SECURITY;
ALTER TABLE membership ADD CONSTRAINT membership_role CHECK (role IN ('owner', 'therapist'));

-- A signed-in browser is told by what it says of itself, so that somebody can sign out one that is not theirs any more.
ALTER TABLE sign_in
    ADD COLUMN sign_in_id uuid NOT NULL DEFAULT gen_random_uuid() CONSTRAINT sign_in_id_unique UNIQUE,
    ADD COLUMN began_at timestamptz NOT NULL DEFAULT now(),
    ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now(),
    ADD COLUMN device text NOT NULL DEFAULT '' CONSTRAINT sign_in_device_length CHECK (length(device) <= 120);

-- The second factor of a person counts once it is confirmed; last_step keeps a code from being used twice.
CREATE TABLE second_factor (
    person_id uuid PRIMARY KEY REFERENCES person ON DELETE CASCADE,
    secret text NOT NULL,
    confirmed_at timestamptz,
    last_step bigint NOT NULL DEFAULT 0
);
CREATE TABLE recovery_code (
    person_id uuid NOT NULL REFERENCES second_factor ON DELETE CASCADE,
    code_hash bytea NOT NULL,
    PRIMARY KEY (person_id, code_hash)
);

-- One-time links; only their hashes are kept. A password link is made by whoever runs the server.
CREATE TABLE password_link (
    link_hash bytea PRIMARY KEY,
    person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
    expires_at timestamptz NOT NULL,
    ends_second_factor boolean NOT NULL DEFAULT false,
    used_at timestamptz
);
CREATE TABLE invitation (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    invitation_id uuid NOT NULL,
    link_hash bytea NOT NULL CONSTRAINT invitation_link_unique UNIQUE,
    role text NOT NULL CONSTRAINT invitation_role CHECK (role IN ('owner', 'therapist')),
    invited_for text NOT NULL DEFAULT '' CONSTRAINT invitation_for_length CHECK (length(invited_for) <= 80),
    made_by text NOT NULL,
    made_at timestamptz NOT NULL,
    expires_at timestamptz NOT NULL,
    used_at timestamptz,
    PRIMARY KEY (practice_id, invitation_id)
);

ALTER TABLE second_factor ENABLE ROW LEVEL SECURITY;
ALTER TABLE second_factor FORCE ROW LEVEL SECURITY;
ALTER TABLE recovery_code ENABLE ROW LEVEL SECURITY;
ALTER TABLE recovery_code FORCE ROW LEVEL SECURITY;
ALTER TABLE password_link ENABLE ROW LEVEL SECURITY;
ALTER TABLE password_link FORCE ROW LEVEL SECURITY;
ALTER TABLE invitation ENABLE ROW LEVEL SECURITY;
ALTER TABLE invitation FORCE ROW LEVEL SECURITY;
CREATE POLICY own_second_factor ON second_factor USING (person_id = tide_person());
CREATE POLICY own_recovery_code ON recovery_code USING (person_id = tide_person());
CREATE POLICY own_password_link ON password_link USING (person_id = tide_person() OR link_hash = tide_token());
CREATE POLICY own_invitation ON invitation USING (practice_id = tide_practice() OR link_hash = tide_token())
    WITH CHECK (practice_id = tide_practice());

-- Everybody in a practice knows the others by name; only a person changes what is theirs.
DROP POLICY own_person ON person;
CREATE POLICY seen_person ON person FOR SELECT USING (
    person_id = tide_person() OR email = tide_email()
    OR EXISTS (SELECT FROM membership m WHERE m.person_id = person.person_id AND m.practice_id = tide_practice()));
CREATE POLICY new_person ON person FOR INSERT WITH CHECK (person_id = tide_person());
CREATE POLICY changed_person ON person FOR UPDATE USING (person_id = tide_person());
CREATE POLICY gone_person ON person FOR DELETE USING (person_id = tide_person());

-- A membership is seen by the practice, by the person, and by whoever holds the token of a sign-in in it; it is written
-- only by the practice.
DROP POLICY own_membership ON membership;
CREATE POLICY seen_membership ON membership FOR SELECT USING (
    practice_id = tide_practice() OR person_id = tide_person()
    OR EXISTS (SELECT FROM sign_in s WHERE s.token_hash = tide_token()
               AND s.practice_id = membership.practice_id AND s.person_id = membership.person_id));
CREATE POLICY new_membership ON membership FOR INSERT WITH CHECK (practice_id = tide_practice());
CREATE POLICY changed_membership ON membership FOR UPDATE USING (practice_id = tide_practice());
CREATE POLICY gone_membership ON membership FOR DELETE USING (practice_id = tide_practice());

DROP POLICY own_sign_in ON sign_in;
CREATE POLICY own_sign_in ON sign_in
    USING (practice_id = tide_practice() OR token_hash = tide_token() OR person_id = tide_person());

GRANT INSERT ON practice, person, membership TO mellow_tide_app;
GRANT UPDATE (name, time_zone, country) ON practice TO mellow_tide_app;
GRANT UPDATE (name, email, password_hash) ON person TO mellow_tide_app;
GRANT UPDATE (role, ended_at) ON membership TO mellow_tide_app;
GRANT UPDATE (seen_at) ON sign_in TO mellow_tide_app;
GRANT SELECT, INSERT, UPDATE, DELETE ON second_factor TO mellow_tide_app;
GRANT SELECT, INSERT, DELETE ON recovery_code TO mellow_tide_app;
GRANT SELECT, UPDATE (used_at) ON password_link TO mellow_tide_app;
GRANT SELECT, INSERT, DELETE, UPDATE (used_at) ON invitation TO mellow_tide_app;

ALTER TABLE security_event DROP CONSTRAINT security_event_kind;
ALTER TABLE security_event ADD CONSTRAINT security_event_kind CHECK (kind IN (
    'signed_in', 'sign_in_failed', 'signed_out', 'exported', 'erased', 'demo_reset', 'restored', 'practice_opened',
    'account_changed', 'password_changed', 'password_link', 'second_factor_on', 'second_factor_off', 'recovery_code_used',
    'device_signed_out', 'invited', 'joined', 'role_changed', 'left'));
