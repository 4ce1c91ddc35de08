-- What a session is worked by from its first touch on: the run sheet as the device held it, and the house and tempo it was
-- made in. Append-only. What changes later in house, pace, height or catalogue moves nothing that was tapped.
CREATE TABLE begun_run (
    practice_id uuid NOT NULL,
    session_id uuid NOT NULL,
    sheet_id text NOT NULL,
    sheet jsonb NOT NULL,
    house jsonb NOT NULL,
    tempo jsonb NOT NULL,
    begun_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    PRIMARY KEY (practice_id, session_id),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE CASCADE
);
ALTER TABLE begun_run ENABLE ROW LEVEL SECURITY;
ALTER TABLE begun_run FORCE ROW LEVEL SECURITY;
CREATE POLICY own_begun_run ON begun_run USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON begun_run TO mellow_tide_app;

-- What time the transaction takes it to be.
CREATE FUNCTION tide_now() RETURNS timestamptz LANGUAGE sql STABLE
    AS $$ SELECT coalesce(nullif(current_setting('tide.now', true), '')::timestamptz, now()) $$;

-- A client whole. The record is the row itself without its keys, so that a new column needs no change here. The views see
-- what who asks may see.
CREATE VIEW client_whole WITH (security_invoker = true) AS
SELECT c.practice_id, c.client_id, c.revision,
       to_jsonb(c) - '{practice_id,client_id,revision,digits,sought}'::text[] AS stored,
       (tide_now() AT TIME ZONE p.time_zone)::date AS day
FROM client c
JOIN practice p ON p.practice_id = c.practice_id;

-- A session whole: its plan, its client, the answer of the day, what it is worked by once it has begun, and how far it is.
CREATE VIEW session_whole WITH (security_invoker = true) AS
SELECT s.practice_id, s.session_id, s.starts_at, (s.starts_at AT TIME ZONE p.time_zone)::date AS day, s.revision, s.person_id,
       s.client_id, s.plan AS stored_plan, c.stored AS stored_client, s.day_answer AS stored_answer,
       CASE WHEN b.session_id IS NOT NULL THEN to_jsonb(b) - '{practice_id,session_id,begun_at}'::text[] END AS stored_run,
       (SELECT w.factors FROM own_pace w
        WHERE w.practice_id = s.practice_id AND w.person_id = s.person_id
        ORDER BY w.number DESC LIMIT 1) AS pace_factors,
       EXISTS (SELECT FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id) AS begun,
       (SELECT i.intake_id FROM intake i
        WHERE i.practice_id = s.practice_id AND i.client_id = s.client_id
          AND i.handed_in_at IS NOT NULL AND i.reviewed_at IS NULL
        ORDER BY i.handed_in_at LIMIT 1) AS unread_intake,
       s.place > 0 AS can_undo,
       EXISTS (SELECT FROM plan_step n
               WHERE n.practice_id = s.practice_id AND n.session_id = s.session_id AND n.place = s.place + 1) AS can_redo,
       EXISTS (SELECT FROM session_log l WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id) AS logged
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client_whole c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
LEFT JOIN begun_run b ON b.practice_id = s.practice_id AND b.session_id = s.session_id;

GRANT SELECT ON client_whole, session_whole TO mellow_tide_app;
