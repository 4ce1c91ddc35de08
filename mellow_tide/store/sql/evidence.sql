-- name: insert_change
INSERT INTO client_change (practice_id, client_id, changed_at, source, person_name, reason, field, item, before, after)
VALUES (%(practice_id)s, %(client_id)s, coalesce(%(changed_at)s, now()), %(source)s, %(person_name)s, %(reason)s, %(field)s,
        %(item)s, %(before)s, %(after)s)

-- name: changes_of_client
SELECT changed_at, source, person_name, field, item, before, after, reason FROM client_change
WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s
ORDER BY changed_at DESC, place DESC

-- name: changes_since_plan
SELECT h.changed_at, h.source, h.person_name, h.field, h.item, h.before, h.after, h.reason
FROM client_change h
JOIN session s ON s.practice_id = h.practice_id AND s.client_id = h.client_id
WHERE h.practice_id = %(practice_id)s AND s.session_id = %(session_id)s AND h.changed_at > s.known_until
  AND h.field = ANY(%(fields)s)
ORDER BY h.changed_at, h.place
