-- name: insert_session
INSERT INTO session (practice_id, session_id, client_id, person_id, starts_at, series_id, plan)
VALUES (%(practice_id)s, %(session_id)s, %(client_id)s, %(person_id)s, %(starts_at)s, %(series_id)s, %(plan)s)
ON CONFLICT (practice_id, session_id) DO NOTHING

-- name: sessions_between
SELECT session_id, starts_at, day, revision, person_id, client_id, stored_plan, stored_client, stored_answer, stored_run,
       stored_excluded, pace_factors, begun, unread_intake, can_undo, can_redo, logged, attendance, comes, attendance_note, series_id, walk_in
FROM session_whole
WHERE practice_id = %(practice_id)s AND starts_at >= %(from)s AND starts_at < %(until)s
      AND (%(of_person)s::uuid IS NULL OR person_id = %(of_person)s)
ORDER BY starts_at, session_id

-- name: find_session
SELECT session_id, starts_at, day, revision, person_id, client_id, stored_plan, stored_client, stored_answer, stored_run,
       stored_excluded, pace_factors, begun, unread_intake, can_undo, can_redo, logged, attendance, comes, attendance_note, series_id, walk_in
FROM session_whole
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

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

-- name: set_late_minutes
UPDATE plan_step p SET late_minutes = %(minutes)s
FROM session s
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s
  AND p.practice_id = s.practice_id AND p.session_id = s.session_id AND p.place = s.place

-- name: late_minutes_of_plans
SELECT p.late_minutes FROM plan_step p
JOIN session s ON s.practice_id = p.practice_id AND s.session_id = p.session_id
WHERE s.practice_id = %(practice_id)s AND s.session_id = %(session_id)s AND p.place <= s.place + %(ahead)s
ORDER BY p.place DESC

-- name: set_known
UPDATE session SET known_until = now() WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: set_excluded_today
UPDATE session SET excluded_today = %(excluded)s WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: set_day_answer
UPDATE session SET day_answer = %(day_answer)s WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: append_event
INSERT INTO run_event (practice_id, session_id, event_id, event)
VALUES (%(practice_id)s, %(session_id)s, %(event_id)s, %(event)s)
ON CONFLICT (practice_id, session_id, event_id) DO NOTHING

-- name: same_event
-- What came with an odd time has the time at which it was received, which is another one each time.
SELECT event - 'at' = %(event)s - 'at' AND (event ? 'odd_at' OR event = %(event)s) FROM run_event
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND event_id = %(event_id)s

-- name: late_events_of_session
SELECT event ->> 'kind' AS kind, (event ->> 'at')::timestamptz AS at, received_at FROM run_event
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND after_signing
ORDER BY place

-- name: events_of_session
SELECT event FROM counted_event
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ORDER BY place

-- name: events_of_sessions
SELECT session_id, jsonb_agg(event ORDER BY place) AS events FROM counted_event
WHERE practice_id = %(practice_id)s AND session_id = ANY(%(session_ids)s)
GROUP BY session_id

-- name: freeze_run
INSERT INTO begun_run (practice_id, session_id, sheet_id, sheet, house, tempo)
VALUES (%(practice_id)s, %(session_id)s, %(sheet_id)s, %(sheet)s, %(house)s, %(tempo)s)
ON CONFLICT (practice_id, session_id) DO NOTHING

-- name: unfrozen_runs
SELECT s.practice_id, s.session_id, s.plan -> 'flow' AS flow,
       jsonb_build_object('height_cm', c.height_cm, 'breaths_per_minute', c.breaths_per_minute) AS client, p.house,
       (SELECT w.factors FROM own_pace w
        WHERE w.practice_id = s.practice_id AND w.person_id = s.person_id
          AND w.accepted_at <= (SELECT min((e.event ->> 'at')::timestamptz) FROM run_event e
                                WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id)
        ORDER BY w.number DESC LIMIT 1) AS pace
FROM session s
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
JOIN practice p ON p.practice_id = s.practice_id
WHERE EXISTS (SELECT FROM run_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id
              AND e.event ->> 'kind' = 'began')
  AND NOT EXISTS (SELECT FROM begun_run b WHERE b.practice_id = s.practice_id AND b.session_id = s.session_id)
ORDER BY s.starts_at, s.session_id
FOR UPDATE OF s

-- name: taps_by_place
SELECT event_id, event FROM run_event
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND event ->> 'kind' IN ('began', 'moved', 'skipped')
ORDER BY place

-- name: replace_event
UPDATE run_event SET event = %(event)s
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND event_id = %(event_id)s
