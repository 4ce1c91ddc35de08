-- name: find_person_by_email
SELECT person_id, name, email, password_hash FROM person WHERE email = %(email)s

-- name: find_person
SELECT person_id, name, email, password_hash FROM person WHERE person_id = %(person_id)s

-- name: memberships_of_person
SELECT practice_id, person_id, role FROM membership WHERE person_id = %(person_id)s ORDER BY practice_id

-- name: find_practice
SELECT practice_id, name, time_zone FROM practice WHERE practice_id = %(practice_id)s

-- name: insert_sign_in
INSERT INTO sign_in (practice_id, token_hash, person_id, expires_at)
VALUES (%(practice_id)s, %(token_hash)s, %(person_id)s, %(expires_at)s)

-- name: find_sign_in
SELECT practice_id, person_id FROM sign_in WHERE token_hash = %(token_hash)s AND expires_at > %(now)s

-- name: delete_sign_in
DELETE FROM sign_in WHERE token_hash = %(token_hash)s

-- name: insert_practice
INSERT INTO practice (practice_id, name, time_zone, house)
VALUES (%(practice_id)s, %(name)s, %(time_zone)s, %(house)s)

-- name: insert_person
INSERT INTO person (person_id, email, name, password_hash)
VALUES (%(person_id)s, %(email)s, %(name)s, %(password_hash)s)

-- name: insert_membership
INSERT INTO membership (practice_id, person_id, role) VALUES (%(practice_id)s, %(person_id)s, 'therapist')

-- name: delete_practice
DELETE FROM practice WHERE practice_id = %(practice_id)s

-- name: delete_person
DELETE FROM person WHERE person_id = %(person_id)s

-- name: house_of_practice
SELECT house FROM practice WHERE practice_id = %(practice_id)s
