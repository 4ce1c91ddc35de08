-- name: calendar_feed_by_token
SELECT practice_id, person_id, names, made_at FROM calendar_feed WHERE token_hash = %(token_hash)s

-- name: calendar_feed_of_person
SELECT practice_id, person_id, names, made_at
FROM calendar_feed
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s

-- name: insert_calendar_feed
INSERT INTO calendar_feed (practice_id, person_id, token_hash, names, made_at)
VALUES (%(practice_id)s, %(person_id)s, %(token_hash)s, %(names)s, tide_now())

-- name: name_in_calendar_feed
UPDATE calendar_feed SET names = %(names)s WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s

-- name: delete_calendar_feed
DELETE FROM calendar_feed WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s
