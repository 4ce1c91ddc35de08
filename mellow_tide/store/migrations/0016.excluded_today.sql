-- Places to keep off in one session alone, set on its plan; those told to the question of the day stand in its answer.

ALTER TABLE session ADD COLUMN excluded_today jsonb NOT NULL DEFAULT '[]';
GRANT UPDATE (excluded_today) ON session TO mellow_tide_app;

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
       s.excluded_today AS stored_excluded
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client_whole c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
LEFT JOIN begun_run b ON b.practice_id = s.practice_id AND b.session_id = s.session_id;
