-- name: clients_found
SELECT c.client_id
FROM client c
WHERE c.practice_id = %(practice_id)s
  AND (c.archived = false OR %(archived)s) AND c.walk_in = false
  AND (c.sought LIKE '%%' || %(pattern)s || '%%'
       OR (%(digits)s <> '' AND c.digits LIKE '%%' || %(digits)s || '%%'))
ORDER BY c.archived, (lower(c.name) LIKE %(pattern)s || '%%') DESC, c.name, c.client_id
LIMIT %(most)s

-- name: clients_alike
SELECT c.client_id
FROM client c
WHERE c.practice_id = %(practice_id)s
  AND (c.archived = false OR %(archived)s) AND c.walk_in = false
  AND ' ' || lower(c.name) LIKE ANY(%(begin)s)
  AND word_similarity(%(words)s, lower(c.name)) >= %(alike)s
ORDER BY c.archived, word_similarity(%(words)s, lower(c.name)) DESC, c.name, c.client_id
LIMIT %(most)s

-- name: client_lines
SELECT c.client_id, c.name, c.address_as, c.phone, c.know_first, c.archived,
       (SELECT max(s.starts_at) FROM session s
        WHERE s.practice_id = c.practice_id AND s.client_id = c.client_id AND s.starts_at <= tide_now()
          AND s.comes) AS last_at,
       (SELECT min(s.starts_at) FROM session s
        WHERE s.practice_id = c.practice_id AND s.client_id = c.client_id AND s.starts_at > tide_now()
          AND s.comes) AS next_at
FROM client c
WHERE c.practice_id = %(practice_id)s AND c.client_id = ANY(%(client_ids)s)
ORDER BY array_position(%(client_ids)s, c.client_id)

-- name: count_conditions
SELECT condition, count(*) AS clients
FROM client c, unnest(c.conditions) AS condition
WHERE c.practice_id = %(practice_id)s
GROUP BY condition

-- name: find_client
SELECT client_id, revision, stored, day FROM client_whole
WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s

-- name: lock_client
SELECT revision FROM client WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s FOR UPDATE

-- name: merge_client
SELECT merge_client(%(kept)s, %(other)s)

-- name: erase_client
SELECT erase_client(%(client_id)s)

-- name: insert_merge
INSERT INTO client_merge (practice_id, other_id, kept_id) VALUES (%(practice_id)s, %(other_id)s, %(kept_id)s)

-- name: ids_of_client
WITH RECURSIVE one (id) AS (
    SELECT %(client_id)s::uuid
    UNION
    SELECT m.other_id FROM client_merge m JOIN one ON m.kept_id = one.id WHERE m.practice_id = %(practice_id)s
)
SELECT id FROM one

-- name: insert_erasure
INSERT INTO erasure (practice_id, erasure_id, client_id, person_name, counts)
VALUES (%(practice_id)s, %(erasure_id)s, %(client_id)s, %(person_name)s, %(counts)s)

-- name: clients_with_contact
SELECT client_id, name, digits, lower(email) AS email FROM client
WHERE practice_id = %(practice_id)s AND walk_in = false

-- name: all_contacts
SELECT jsonb_build_object('name', name, 'address_as', address_as, 'phone', phone, 'email', email) FROM client
WHERE practice_id = %(practice_id)s AND archived = false AND walk_in = false
ORDER BY name, client_id

-- name: sessions_of_client
SELECT s.session_id, s.starts_at, s.attendance, s.plan -> 'flow' -> 'brief' AS stored_brief,
       (SELECT l.log FROM session_log l WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id
        ORDER BY l.revision DESC LIMIT 1) AS stored_log
FROM session s
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s
ORDER BY s.starts_at DESC
LIMIT %(most)s

-- name: point_events_of_client
SELECT s.session_id, s.starts_at, e.event AS stored
FROM session s
JOIN counted_event e ON e.practice_id = s.practice_id AND e.session_id = s.session_id
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s AND e.event ->> 'kind' LIKE 'point!_%%' ESCAPE '!'
ORDER BY s.starts_at DESC, e.place

-- name: whole_visits
SELECT s.starts_at, s.plan -> 'flow' AS flow, s.day_answer,
       coalesce((SELECT jsonb_agg(CASE WHEN e.after_signing THEN e.event || '{"after_signing": true}' ELSE e.event END
                                  ORDER BY e.place) FROM run_event e
                 WHERE e.practice_id = s.practice_id AND e.session_id = s.session_id), '[]') AS events,
       coalesce((SELECT jsonb_agg(l.log || jsonb_build_object('at', l.logged_at, 'signed_by', l.signed_by) ORDER BY l.revision)
                 FROM session_log l
                 WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id), '[]') AS logs,
       coalesce((SELECT jsonb_agg(jsonb_build_object('at', a.added_at, 'by', a.person_name, 'words', a.words) ORDER BY a.number)
                 FROM session_log_addition a
                 WHERE a.practice_id = s.practice_id AND a.session_id = s.session_id), '[]') AS additions,
       coalesce((SELECT jsonb_agg(jsonb_build_object('kind', f.kind, 'words', f.words, 'done_at', f.done_at) ORDER BY f.number)
                 FROM follow_up f
                 WHERE f.practice_id = s.practice_id AND f.session_id = s.session_id), '[]') AS left_for_later,
       coalesce((SELECT jsonb_agg(jsonb_build_object('at', m.marked_at, 'by', m.person_name, 'left_out', m.left_out,
                                                     'reason', m.reason) ORDER BY m.number)
                 FROM visit_mark m
                 WHERE m.practice_id = s.practice_id AND m.session_id = s.session_id), '[]') AS marks
FROM session s
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s
ORDER BY s.starts_at

-- name: set_walk_in
UPDATE client SET walk_in = %(walk_in)s WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s
