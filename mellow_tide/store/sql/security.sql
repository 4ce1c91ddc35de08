-- name: insert_security_event
INSERT INTO security_event (at, kind, practice_id, person_id, what)
VALUES (%(at)s, %(kind)s, %(of_practice)s, %(by_person)s, %(what)s)

-- name: lock_attempts
SELECT pg_advisory_xact_lock(hashtextextended(encode(%(attempt_key)s, 'hex'), 0))

-- name: recent_attempts
SELECT at FROM sign_in_attempt
WHERE attempt_key = %(attempt_key)s AND at > %(since)s AND at <= %(now)s
ORDER BY at

-- name: insert_attempt
INSERT INTO sign_in_attempt (attempt_key, at) VALUES (%(attempt_key)s, %(at)s)

-- name: forget_attempts
DELETE FROM sign_in_attempt WHERE attempt_key = %(attempt_key)s

-- name: forget_attempt
DELETE FROM sign_in_attempt WHERE attempt_key = %(attempt_key)s AND at = %(at)s

-- name: find_known_browser
SELECT person_id FROM known_browser WHERE token_hash = %(token_hash)s

-- name: insert_known_browser
INSERT INTO known_browser (token_hash, person_id, known_since) VALUES (%(token_hash)s, %(person_id)s, %(now)s)

-- name: prune_sign_ins
DELETE FROM sign_in WHERE expires_at < %(now)s

-- name: prune_attempts
DELETE FROM sign_in_attempt WHERE at < %(now)s - interval '1 day' OR at > %(now)s + interval '1 minute'

-- name: prune_security_events
DELETE FROM security_event WHERE at < %(now)s - interval '400 days'
