-- name: versions_of_session
SELECT version_id, name, plan AS stored, made_at
FROM plan_version
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s
ORDER BY made_at, name

-- name: find_version
SELECT version_id, name, plan AS stored, made_at
FROM plan_version
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND version_id = %(version_id)s

-- name: name_standing_plan
INSERT INTO plan_version (practice_id, session_id, version_id, name, plan)
SELECT practice_id, session_id, %(version_id)s, %(name)s, plan FROM session
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: rename_version
UPDATE plan_version SET name = %(name)s
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND version_id = %(version_id)s
RETURNING version_id

-- name: forget_version
DELETE FROM plan_version
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND version_id = %(version_id)s
RETURNING version_id
