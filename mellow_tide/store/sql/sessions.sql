-- name: insert_session
INSERT INTO session (practice_id, session_id, client_id, person_id, starts_at, plan)
VALUES (%(practice_id)s, %(session_id)s, %(client_id)s, %(person_id)s, %(starts_at)s, %(plan)s)

-- name: sessions_between
SELECT s.session_id, s.starts_at, (s.starts_at AT TIME ZONE p.time_zone)::date AS day, s.revision, s.plan, s.person_id,
       s.day_answer, p.house AS house_json,
       (SELECT w.factors FROM own_pace w
        WHERE w.practice_id = s.practice_id AND w.person_id = s.person_id
          AND w.accepted_at <= coalesce((SELECT min((e.event ->> 'at')::timestamptz) FROM run_event e
                                         WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id), now())
        ORDER BY w.number DESC LIMIT 1) AS pace_json,
       EXISTS (SELECT 1 FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id) AS begun,
       (SELECT i.intake_id FROM intake i WHERE i.practice_id = s.practice_id AND i.client_id = s.client_id
        AND i.handed_in_at IS NOT NULL AND i.reviewed_at IS NULL ORDER BY i.handed_in_at LIMIT 1) AS unread_intake,
       c.client_id, c.name AS client_name, c.height_cm, c.weight_kg,
       c.breaths_per_minute, c.body_hair, c.skin, c.consents, c.declined, c.conditions, c.excluded, c.wishes,
       c.likes, c.dislikes, c.due_date, c.know_first,
       s.place > 0 AS can_undo,
       EXISTS (SELECT 1 FROM plan_step n WHERE n.practice_id = s.practice_id AND n.session_id = s.session_id
               AND n.place = s.place + 1) AS can_redo,
       EXISTS (SELECT 1 FROM session_log l
               WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id) AS logged
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
WHERE s.practice_id = %(practice_id)s AND s.starts_at >= %(from)s AND s.starts_at < %(until)s
ORDER BY s.starts_at, s.session_id

-- name: find_session
SELECT s.session_id, s.starts_at, (s.starts_at AT TIME ZONE p.time_zone)::date AS day, s.revision, s.plan, s.person_id,
       s.day_answer, p.house AS house_json,
       (SELECT w.factors FROM own_pace w
        WHERE w.practice_id = s.practice_id AND w.person_id = s.person_id
          AND w.accepted_at <= coalesce((SELECT min((e.event ->> 'at')::timestamptz) FROM run_event e
                                         WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id), now())
        ORDER BY w.number DESC LIMIT 1) AS pace_json,
       EXISTS (SELECT 1 FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id) AS begun,
       (SELECT i.intake_id FROM intake i WHERE i.practice_id = s.practice_id AND i.client_id = s.client_id
        AND i.handed_in_at IS NOT NULL AND i.reviewed_at IS NULL ORDER BY i.handed_in_at LIMIT 1) AS unread_intake,
       c.client_id, c.name AS client_name, c.height_cm, c.weight_kg,
       c.breaths_per_minute, c.body_hair, c.skin, c.consents, c.declined, c.conditions, c.excluded, c.wishes,
       c.likes, c.dislikes, c.due_date, c.know_first,
       s.place > 0 AS can_undo,
       EXISTS (SELECT 1 FROM plan_step n WHERE n.practice_id = s.practice_id AND n.session_id = s.session_id
               AND n.place = s.place + 1) AS can_redo,
       EXISTS (SELECT 1 FROM session_log l
               WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id) AS logged
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s

-- name: find_client_on_the_day
SELECT (s.starts_at AT TIME ZONE p.time_zone)::date AS day, s.day_answer, p.house AS house_json,
       (SELECT w.factors FROM own_pace w
        WHERE w.practice_id = s.practice_id AND w.person_id = s.person_id
          AND w.accepted_at <= coalesce((SELECT min((e.event ->> 'at')::timestamptz) FROM run_event e
                                         WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id), now())
        ORDER BY w.number DESC LIMIT 1) AS pace_json,
       EXISTS (SELECT 1 FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id) AS begun,
       c.height_cm,
       c.weight_kg, c.breaths_per_minute, c.body_hair, c.skin, c.consents, c.declined, c.conditions, c.excluded,
       c.wishes, c.likes, c.dislikes, c.due_date
FROM session s
JOIN practice p ON p.practice_id = s.practice_id
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s

-- name: lock_session
SELECT revision FROM session
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
FOR UPDATE

-- name: keep_standing_plan
INSERT INTO plan_step (practice_id, session_id, place, plan, known_until)
SELECT practice_id, session_id, place, plan, known_until FROM session
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ON CONFLICT (practice_id, session_id, place) DO NOTHING

-- name: forget_later_plans
DELETE FROM plan_step p USING session s
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s
  AND p.practice_id = s.practice_id AND p.session_id = s.session_id AND p.place > s.place

-- name: replace_plan
UPDATE session SET plan = %(plan)s, place = place + 1, revision = revision + 1,
       known_until = CASE WHEN %(knows)s THEN now() ELSE known_until END
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: step_to_plan
UPDATE session s SET plan = p.plan, place = p.place, revision = s.revision + 1, known_until = p.known_until
FROM plan_step p
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s
  AND p.practice_id = s.practice_id AND p.session_id = s.session_id AND p.place = s.place + %(by)s
RETURNING s.revision

-- name: set_known
UPDATE session SET known_until = now() WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: set_day_answer
UPDATE session SET day_answer = %(day_answer)s WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: append_event
INSERT INTO run_event (practice_id, session_id, event_id, event)
VALUES (%(practice_id)s, %(session_id)s, %(event_id)s, %(event)s)
ON CONFLICT (practice_id, session_id, event_id) DO NOTHING

-- name: events_of_session
SELECT event FROM run_event
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ORDER BY place

-- name: events_of_sessions
SELECT session_id, event FROM run_event
WHERE practice_id = %(practice_id)s AND session_id = ANY(%(session_ids)s)
ORDER BY place
