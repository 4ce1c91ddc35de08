-- name: newest_log
SELECT revision, log AS stored, logged_at, signed_by FROM session_log
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ORDER BY revision DESC
LIMIT 1

-- name: insert_log
INSERT INTO session_log (practice_id, session_id, revision, log, signed_by)
VALUES (%(practice_id)s, %(session_id)s, %(revision)s, %(log)s, %(signed_by)s)

-- name: log_additions
SELECT words, person_name, added_at FROM session_log_addition
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ORDER BY number

-- name: insert_log_addition
INSERT INTO session_log_addition (practice_id, session_id, number, words, person_name)
SELECT %(practice_id)s, %(session_id)s, count(*) + 1, %(words)s, %(person_name)s
FROM session_log_addition
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: insert_follow_up
INSERT INTO follow_up (practice_id, session_id, number, kind, words)
VALUES (%(practice_id)s, %(session_id)s, %(number)s, %(kind)s, %(words)s)

-- name: follow_ups_before
SELECT f.session_id, f.number, f.kind, f.words, f.made_at, f.done_at, f.done_by
FROM follow_up f
JOIN session made ON made.practice_id = f.practice_id AND made.session_id = f.session_id
JOIN session here ON here.practice_id = f.practice_id AND here.client_id = made.client_id
WHERE f.practice_id = %(practice_id)s AND here.session_id = %(session_id)s AND made.session_id <> here.session_id
  AND made.starts_at < here.starts_at AND (f.done_at IS NULL OR f.done_in = here.session_id)
ORDER BY f.made_at, f.session_id, f.number

-- name: tick_follow_up
UPDATE follow_up SET done_at = CASE WHEN %(done)s THEN now() END, done_by = CASE WHEN %(done)s THEN %(person_name)s END,
       done_in = CASE WHEN %(done)s THEN %(done_in)s::uuid END
WHERE practice_id = %(practice_id)s AND session_id = %(made_in)s AND number = %(number)s
RETURNING number
