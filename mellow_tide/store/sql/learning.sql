-- name: visits_to_learn_from
SELECT s.session_id, s.starts_at, (s.plan #>> '{flow,brief,specific_ceiling}')::integer AS specific_ceiling,
       coalesce(s.plan #>> '{flow,brief,pressure}', 'medium') AS pressure,
       to_jsonb(b) - '{practice_id,session_id,begun_at}'::text[] AS stored_run,
       coalesce((SELECT jsonb_agg(e.event ORDER BY e.place) FROM counted_event e
                 WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id
                   AND e.event ->> 'kind' IN ('moved', 'said', 'point_rated', 'point_withdrawn')), '[]') AS stored_events,
       m.left_out, m.reason, m.person_name, m.marked_at
FROM session s
JOIN begun_run b ON b.practice_id = s.practice_id AND b.session_id = s.session_id
LEFT JOIN LATERAL (SELECT v.left_out, v.reason, v.person_name, v.marked_at FROM visit_mark v
                   WHERE v.practice_id = s.practice_id AND v.session_id = s.session_id
                   ORDER BY v.number DESC LIMIT 1) m ON true
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s
  AND EXISTS (SELECT FROM counted_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id
              AND e.event ->> 'kind' IN ('ended', 'halted'))
ORDER BY s.starts_at, s.session_id

-- name: mark_visit
INSERT INTO visit_mark (practice_id, session_id, number, left_out, reason, person_name)
SELECT %(practice_id)s, %(session_id)s, count(*) + 1, %(left_out)s, %(reason)s, %(person_name)s FROM visit_mark
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: worked_by
SELECT s.session_id, s.starts_at, to_jsonb(b) - '{practice_id,session_id,begun_at}'::text[] AS stored_run,
       coalesce((SELECT jsonb_agg(e.event ORDER BY e.place) FROM counted_event e
        WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id
          AND e.event ->> 'kind' IN ('moved', 'paused', 'point_found', 'added')), '[]') AS stored_events
FROM session s
JOIN begun_run b ON b.practice_id = s.practice_id AND b.session_id = s.session_id
WHERE s.practice_id = %(practice_id)s AND s.person_id = %(person_id)s
  AND EXISTS (SELECT FROM counted_event e WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id
              AND e.event ->> 'kind' IN ('ended', 'halted'))
ORDER BY s.starts_at DESC
LIMIT %(most)s

-- name: worked_since
SELECT s.session_id, s.starts_at, s.person_id, e.mark, c.counted AS stored_counted
FROM session s
JOIN LATERAL (SELECT %(rules)s || ' ' || count(*) || ' ' || max(e.place) AS mark,
                     bool_or(e.event ->> 'kind' IN ('ended', 'halted')) AS is_over
              FROM counted_event e
              WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id) e ON e.is_over
LEFT JOIN counted_run c ON c.practice_id = s.practice_id AND c.session_id = s.session_id AND c.mark = e.mark
WHERE s.practice_id = %(practice_id)s AND s.starts_at >= %(since)s
ORDER BY s.starts_at, s.session_id

-- name: runs_of
SELECT b.session_id, to_jsonb(b) - '{practice_id,session_id,begun_at}'::text[] AS stored_run,
       coalesce((SELECT jsonb_agg(e.event ORDER BY e.place) FROM counted_event e
                 WHERE e.practice_id = b.practice_id AND e.session_id = b.session_id), '[]') AS stored_events
FROM begun_run b
WHERE b.practice_id = %(practice_id)s AND b.session_id = ANY(%(sessions)s)

-- name: keep_counted_run
INSERT INTO counted_run (practice_id, session_id, mark, counted)
VALUES (%(practice_id)s, %(session_id)s, %(mark)s, %(counted)s)
ON CONFLICT (practice_id, session_id) DO UPDATE SET mark = excluded.mark, counted = excluded.counted

-- name: own_pace_of
SELECT factors, accepted_at FROM own_pace
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s
ORDER BY number DESC
LIMIT 1

-- name: accept_pace
INSERT INTO own_pace (practice_id, person_id, number, factors)
SELECT %(practice_id)s, %(person_id)s, count(*) + 1, %(factors)s FROM own_pace
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s
