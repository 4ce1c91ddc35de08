-- name: flows_of_practice
SELECT flow_id, name, note, flow AS stored, gestation_days, origin, made_for, archived, revision, made_at
FROM flow
WHERE practice_id = %(practice_id)s
ORDER BY archived, origin IS NOT NULL, made_at, name

-- name: find_flow
SELECT flow_id, name, note, flow AS stored, gestation_days, origin, made_for, archived, revision, made_at
FROM flow
WHERE practice_id = %(practice_id)s AND flow_id = %(flow_id)s

-- name: insert_flow
INSERT INTO flow (practice_id, flow_id, name, note, flow, gestation_days, origin, made_for)
VALUES (%(practice_id)s, %(flow_id)s, %(name)s, %(note)s, %(flow)s, %(gestation_days)s, %(origin)s, %(made_for)s)
ON CONFLICT (practice_id, origin) DO NOTHING

-- name: shipped_flows_there
SELECT origin FROM flow WHERE practice_id = %(practice_id)s AND origin IS NOT NULL

-- name: change_flow
UPDATE flow SET name = %(name)s, note = %(note)s, archived = %(archived)s, revision = revision + 1
WHERE practice_id = %(practice_id)s AND flow_id = %(flow_id)s AND revision = %(revision)s
RETURNING revision
