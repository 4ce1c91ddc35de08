-- name: find_person_by_email
SELECT person_id, name, email, password_hash FROM person WHERE email = %(email)s

-- name: find_person
SELECT person_id, name, email, password_hash FROM person WHERE person_id = %(person_id)s

-- name: memberships_of_person
SELECT practice_id, person_id, role FROM membership
WHERE person_id = %(person_id)s AND ended_at IS NULL
ORDER BY joined_at, practice_id

-- name: members
SELECT m.person_id, p.name, p.email, m.role, m.joined_at
FROM membership m
JOIN person p USING (person_id)
WHERE m.practice_id = %(practice_id)s AND m.ended_at IS NULL
ORDER BY m.joined_at, m.person_id

-- name: lock_owners
SELECT person_id FROM membership
WHERE practice_id = %(practice_id)s AND ended_at IS NULL AND role = 'owner'
ORDER BY person_id
FOR UPDATE

-- name: find_practice
SELECT practice_id, name, time_zone, country FROM practice WHERE practice_id = %(practice_id)s

-- name: insert_practice
INSERT INTO practice (practice_id, name, time_zone, country, house)
VALUES (%(practice_id)s, %(name)s, %(time_zone)s, %(country)s, %(house)s)

-- name: update_practice
UPDATE practice SET name = %(name)s, time_zone = %(time_zone)s, country = %(country)s
WHERE practice_id = %(practice_id)s

-- name: insert_person
INSERT INTO person (person_id, email, name, password_hash)
VALUES (%(person_id)s, %(email)s, %(name)s, %(password_hash)s)

-- name: update_person
UPDATE person SET name = %(name)s, email = %(email)s WHERE person_id = %(person_id)s

-- name: set_password
UPDATE person SET password_hash = %(password_hash)s WHERE person_id = %(person_id)s

-- name: insert_membership
INSERT INTO membership (practice_id, person_id, role, joined_at)
VALUES (%(practice_id)s, %(person_id)s, %(role)s, %(now)s)

-- name: set_role
UPDATE membership SET role = %(role)s
WHERE practice_id = %(practice_id)s AND person_id = %(of_person)s AND ended_at IS NULL

-- name: hours_of_person
SELECT hours FROM membership WHERE practice_id = %(practice_id)s AND person_id = %(of_person)s

-- name: set_hours
UPDATE membership SET hours = %(hours)s
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s AND ended_at IS NULL

-- name: end_membership
UPDATE membership SET ended_at = %(now)s
WHERE practice_id = %(practice_id)s AND person_id = %(of_person)s AND ended_at IS NULL

-- name: delete_practice
DELETE FROM practice WHERE practice_id = %(practice_id)s

-- name: delete_person
DELETE FROM person WHERE person_id = %(person_id)s

-- name: aftercare_of_practice
SELECT aftercare FROM practice WHERE practice_id = %(practice_id)s

-- name: set_aftercare
UPDATE practice SET aftercare = %(text)s WHERE practice_id = %(practice_id)s
