-- name: clients_found
WITH hit AS (
    SELECT c.client_id, c.name, c.address_as, c.phone, c.know_first, c.archived,
           CASE WHEN lower(c.name) LIKE %(pattern)s || '%%' THEN 0 ELSE 1 END AS rank
    FROM client c
    WHERE c.practice_id = %(practice_id)s
      AND (c.archived = false OR %(archived)s)
      AND (c.sought LIKE '%%' || %(pattern)s || '%%'
           OR (%(digits)s <> '' AND c.digits LIKE '%%' || %(digits)s || '%%'))
    ORDER BY c.archived, rank, c.name, c.client_id
    LIMIT %(most)s
)
SELECT hit.client_id, hit.name, hit.address_as, hit.phone, hit.know_first, hit.archived,
       (SELECT max(s.starts_at) FROM session s
        WHERE s.practice_id = %(practice_id)s AND s.client_id = hit.client_id AND s.starts_at <= now()) AS last_at,
       (SELECT min(s.starts_at) FROM session s
        WHERE s.practice_id = %(practice_id)s AND s.client_id = hit.client_id AND s.starts_at > now()) AS next_at
FROM hit
ORDER BY hit.archived, hit.rank, hit.name, hit.client_id

-- name: clients_alike
WITH hit AS (
    SELECT c.client_id, c.name, c.address_as, c.phone, c.know_first, c.archived,
           -word_similarity(%(words)s, lower(c.name)) AS rank
    FROM client c
    WHERE c.practice_id = %(practice_id)s
      AND (c.archived = false OR %(archived)s)
      AND word_similarity(%(words)s, lower(c.name)) >= %(alike)s
    ORDER BY c.archived, rank, c.name, c.client_id
    LIMIT %(most)s
)
SELECT hit.client_id, hit.name, hit.address_as, hit.phone, hit.know_first, hit.archived,
       (SELECT max(s.starts_at) FROM session s
        WHERE s.practice_id = %(practice_id)s AND s.client_id = hit.client_id AND s.starts_at <= now()) AS last_at,
       (SELECT min(s.starts_at) FROM session s
        WHERE s.practice_id = %(practice_id)s AND s.client_id = hit.client_id AND s.starts_at > now()) AS next_at
FROM hit
ORDER BY hit.archived, hit.rank, hit.name, hit.client_id

-- name: find_client
SELECT c.client_id, c.name, c.address_as, c.phone, c.email, c.note, c.know_first, c.archived, c.revision, c.height_cm,
       c.weight_kg, c.breaths_per_minute, c.body_hair, c.skin, c.consents, c.declined, c.conditions, c.excluded,
       c.wishes, c.likes, c.dislikes, c.due_date, (now() AT TIME ZONE p.time_zone)::date AS day,
       'not_due' AS day_question, p.house AS house_json
FROM client c
JOIN practice p ON p.practice_id = c.practice_id
WHERE c.practice_id = %(practice_id)s AND c.client_id = %(client_id)s

-- name: insert_plain_client
INSERT INTO client (practice_id, client_id, name, phone) VALUES (%(practice_id)s, %(client_id)s, %(name)s, %(phone)s)

-- name: change_client
UPDATE client SET name = %(name)s, address_as = %(address_as)s, phone = %(phone)s, email = %(email)s, note = %(note)s,
       know_first = %(know_first)s, height_cm = %(height_cm)s, archived = %(archived)s, revision = revision + 1
WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s AND revision = %(revision)s
RETURNING revision

-- name: sessions_of_client
SELECT s.session_id, s.starts_at, s.plan -> 'flow' -> 'brief' AS brief,
       (SELECT l.log FROM session_log l WHERE l.practice_id = s.practice_id AND l.session_id = s.session_id
        ORDER BY l.revision DESC LIMIT 1) AS log
FROM session s
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s
ORDER BY s.starts_at DESC
LIMIT %(most)s
