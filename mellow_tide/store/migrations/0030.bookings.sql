-- Sessions are booked, moved, repeated, given to another therapist, cancelled, and taken back.

ALTER TABLE session
    ADD COLUMN booked_minutes integer GENERATED ALWAYS AS ((plan -> 'flow' -> 'brief' ->> 'booked_minutes')::integer) STORED,
    ADD COLUMN attendance text NOT NULL DEFAULT 'expected'
        CONSTRAINT attendance_known CHECK (attendance IN ('expected', 'late', 'cancelled', 'did_not_come')),
    ADD COLUMN comes boolean GENERATED ALWAYS AS (attendance IN ('expected', 'late')) STORED,
    ADD COLUMN attendance_note text NOT NULL DEFAULT ''
        CONSTRAINT attendance_note_length CHECK (length(attendance_note) <= 200),
    ADD COLUMN series_id uuid;
CREATE INDEX session_by_person ON session (practice_id, person_id, starts_at);
CREATE INDEX session_by_client ON session (practice_id, client_id, starts_at);
CREATE INDEX session_by_series ON session (practice_id, series_id, starts_at) WHERE series_id IS NOT NULL;

GRANT UPDATE (starts_at, person_id, attendance, attendance_note, series_id) ON session TO mellow_tide_app;

-- A booking is taken back whole as long as nothing was tapped in it; what was tapped, nobody deletes.
CREATE FUNCTION take_back_booking(gone uuid) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER
    SET search_path = public, pg_temp AS $$
BEGIN
    DELETE FROM session s
    WHERE s.practice_id = tide_practice() AND s.session_id = gone
      AND NOT EXISTS (SELECT FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id);
    RETURN FOUND;
END $$;
REVOKE ALL ON FUNCTION take_back_booking(uuid) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION take_back_booking(uuid) TO mellow_tide_app;

-- Somebody who came in without a name: not among the clients until they are called something.
ALTER TABLE client ADD COLUMN walk_in boolean NOT NULL DEFAULT false;

CREATE OR REPLACE VIEW client_whole WITH (security_invoker = true) AS
SELECT c.practice_id, c.client_id, c.revision,
       to_jsonb(c) - '{practice_id,client_id,revision,digits,sought,walk_in}'::text[] AS stored,
       (tide_now() AT TIME ZONE p.time_zone)::date AS day
FROM client c
JOIN practice p ON p.practice_id = c.practice_id;

CREATE OR REPLACE VIEW session_whole WITH (security_invoker = true) AS
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
       EXISTS (SELECT FROM session_log l WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id) AS logged,
       s.excluded_today AS stored_excluded,
       s.attendance, s.comes, s.attendance_note, s.series_id,
       (SELECT k.walk_in FROM client k WHERE k.practice_id = s.practice_id AND k.client_id = s.client_id) AS walk_in
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client_whole c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
LEFT JOIN begun_run b ON b.practice_id = s.practice_id AND b.session_id = s.session_id;
