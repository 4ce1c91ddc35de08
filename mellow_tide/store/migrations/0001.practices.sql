-- Practices, people and signing in.
-- The application connects as mellow_tide_app, a role made beside the cluster: it owns nothing and cannot
-- bypass row-level security. What a transaction may see follows from four settings, empty by default.

CREATE FUNCTION tide_practice() RETURNS uuid LANGUAGE sql STABLE
    AS $$ SELECT nullif(current_setting('tide.practice', true), '')::uuid $$;
CREATE FUNCTION tide_person() RETURNS uuid LANGUAGE sql STABLE
    AS $$ SELECT nullif(current_setting('tide.person', true), '')::uuid $$;
CREATE FUNCTION tide_email() RETURNS text LANGUAGE sql STABLE
    AS $$ SELECT nullif(current_setting('tide.email', true), '') $$;
CREATE FUNCTION tide_token() RETURNS bytea LANGUAGE sql STABLE
    AS $$ SELECT decode(nullif(current_setting('tide.token', true), ''), 'hex') $$;

CREATE TABLE practice (
    practice_id uuid PRIMARY KEY,
    name text NOT NULL CONSTRAINT practice_name_length CHECK (length(name) BETWEEN 1 AND 120),
    time_zone text NOT NULL
);

-- A person may belong to several practices, so a person is nobody's tenant row: it is seen by its owner,
-- and by whoever names its e-mail in order to sign in.
CREATE TABLE person (
    person_id uuid PRIMARY KEY,
    email text NOT NULL CONSTRAINT person_email_unique UNIQUE
        CONSTRAINT person_email_lower CHECK (email = lower(email)),
    name text NOT NULL,
    password_hash text NOT NULL
);

CREATE TABLE membership (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
    role text NOT NULL CONSTRAINT membership_role CHECK (role IN ('therapist')),
    PRIMARY KEY (practice_id, person_id)
);

-- A signed-in browser. Only the hash of its token is kept.
CREATE TABLE sign_in (
    practice_id uuid NOT NULL,
    token_hash bytea NOT NULL CONSTRAINT sign_in_token_unique UNIQUE,
    person_id uuid NOT NULL,
    expires_at timestamptz NOT NULL,
    PRIMARY KEY (practice_id, token_hash),
    FOREIGN KEY (practice_id, person_id) REFERENCES membership ON DELETE CASCADE
);

-- Failed attempts by e-mail and address, hashed together; not a tenant's.
CREATE TABLE sign_in_attempt (
    attempt_key bytea NOT NULL,
    failed_at timestamptz NOT NULL DEFAULT clock_timestamp()
);
CREATE INDEX sign_in_attempt_recent ON sign_in_attempt (attempt_key, failed_at);

ALTER TABLE practice ENABLE ROW LEVEL SECURITY;
ALTER TABLE practice FORCE ROW LEVEL SECURITY;
ALTER TABLE person ENABLE ROW LEVEL SECURITY;
ALTER TABLE person FORCE ROW LEVEL SECURITY;
ALTER TABLE membership ENABLE ROW LEVEL SECURITY;
ALTER TABLE membership FORCE ROW LEVEL SECURITY;
ALTER TABLE sign_in ENABLE ROW LEVEL SECURITY;
ALTER TABLE sign_in FORCE ROW LEVEL SECURITY;

CREATE POLICY own_practice ON practice USING (practice_id = tide_practice());
CREATE POLICY own_person ON person USING (person_id = tide_person() OR email = tide_email());
CREATE POLICY own_membership ON membership
    USING (practice_id = tide_practice() OR person_id = tide_person());
CREATE POLICY own_sign_in ON sign_in USING (practice_id = tide_practice() OR token_hash = tide_token());

GRANT SELECT ON practice, person, membership TO mellow_tide_app;
GRANT SELECT, INSERT, DELETE ON sign_in, sign_in_attempt TO mellow_tide_app;
