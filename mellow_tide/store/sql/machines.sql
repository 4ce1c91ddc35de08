-- name: machines
SELECT kind, name, serial, port, token, paired_at FROM machine WHERE practice_id = %(practice_id)s ORDER BY kind

-- name: insert_machine
INSERT INTO machine (practice_id, kind, name, serial, port, token, paired_at)
VALUES (%(practice_id)s, %(kind)s, %(name)s, %(serial)s, %(port)s, %(token)s, %(paired_at)s)

-- name: delete_machine
DELETE FROM machine WHERE practice_id = %(practice_id)s AND kind = %(kind)s

-- name: table_heights_of_person
SELECT low_cm, high_cm FROM table_heights WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s

-- name: set_table_heights
INSERT INTO table_heights (practice_id, person_id, low_cm, high_cm)
VALUES (%(practice_id)s, %(person_id)s, %(low_cm)s, %(high_cm)s)
ON CONFLICT (practice_id, person_id) DO UPDATE SET low_cm = excluded.low_cm, high_cm = excluded.high_cm
