-- name: add_press
WITH old AS (
    DELETE FROM foot_switch_press
    WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s AND pressed_at < clock_timestamp() - interval '1 minute'
)
INSERT INTO foot_switch_press (practice_id, person_id, key)
VALUES (%(practice_id)s, %(person_id)s, %(key)s)
RETURNING number

-- name: presses_after
SELECT number, key FROM foot_switch_press
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s AND number > %(after)s
ORDER BY number

-- name: last_press
SELECT coalesce(max(number), 0) AS number FROM foot_switch_press
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s
