-- name: insert_sign_in
INSERT INTO sign_in (practice_id, token_hash, person_id, expires_at, began_at, seen_at, device)
VALUES (%(practice_id)s, %(token_hash)s, %(person_id)s, %(expires_at)s, %(now)s, %(now)s, %(device)s)

-- name: find_sign_in
SELECT s.practice_id, s.person_id, m.role, s.seen_at
FROM sign_in s
JOIN membership m USING (practice_id, person_id)
WHERE s.token_hash = %(token_hash)s AND s.expires_at > %(now)s AND m.ended_at IS NULL

-- name: see_sign_in
UPDATE sign_in SET seen_at = %(now)s WHERE token_hash = %(token_hash)s

-- name: delete_sign_in
DELETE FROM sign_in WHERE token_hash = %(token_hash)s

-- name: sign_ins_of_person
SELECT sign_in_id, device, began_at, seen_at, token_hash FROM sign_in
WHERE person_id = %(person_id)s AND expires_at > %(now)s
ORDER BY seen_at DESC, sign_in_id

-- name: end_sign_in
DELETE FROM sign_in WHERE person_id = %(person_id)s AND sign_in_id = %(sign_in_id)s

-- name: end_other_sign_ins
DELETE FROM sign_in WHERE person_id = %(of_person)s AND token_hash IS DISTINCT FROM %(kept)s

-- name: find_second_factor
SELECT secret, confirmed_at, last_step FROM second_factor WHERE person_id = %(person_id)s

-- name: lock_second_factor
SELECT secret, confirmed_at, last_step FROM second_factor WHERE person_id = %(person_id)s FOR UPDATE

-- name: put_second_factor
INSERT INTO second_factor (person_id, secret) VALUES (%(person_id)s, %(secret)s)
ON CONFLICT (person_id) DO UPDATE SET secret = excluded.secret, last_step = 0
WHERE second_factor.confirmed_at IS NULL

-- name: confirm_second_factor
UPDATE second_factor SET confirmed_at = %(now)s, last_step = %(step)s
WHERE person_id = %(person_id)s AND confirmed_at IS NULL

-- name: use_step
UPDATE second_factor SET last_step = %(step)s WHERE person_id = %(person_id)s AND last_step < %(step)s

-- name: delete_second_factor
DELETE FROM second_factor WHERE person_id = %(person_id)s

-- name: insert_recovery_code
INSERT INTO recovery_code (person_id, code_hash) VALUES (%(person_id)s, %(code_hash)s)

-- name: use_recovery_code
DELETE FROM recovery_code WHERE person_id = %(person_id)s AND code_hash = %(code_hash)s

-- name: count_recovery_codes
SELECT count(*) FROM recovery_code WHERE person_id = %(person_id)s

-- name: insert_password_link
INSERT INTO password_link (link_hash, person_id, expires_at, ends_second_factor)
VALUES (%(link_hash)s, %(person_id)s, %(expires_at)s, %(ends_second_factor)s)

-- name: find_password_link
SELECT person_id, expires_at, ends_second_factor, used_at FROM password_link WHERE link_hash = %(link_hash)s

-- name: use_password_link
UPDATE password_link SET used_at = %(now)s WHERE link_hash = %(link_hash)s AND used_at IS NULL

-- name: insert_invitation
INSERT INTO invitation (practice_id, invitation_id, link_hash, role, invited_for, made_by, made_at, expires_at)
VALUES (%(practice_id)s, %(invitation_id)s, %(link_hash)s, %(role)s, %(invited_for)s, %(made_by)s, %(made_at)s,
        %(expires_at)s)

-- name: open_invitations
SELECT practice_id, invitation_id, role, invited_for, made_by, made_at, expires_at, used_at FROM invitation
WHERE practice_id = %(practice_id)s AND used_at IS NULL AND expires_at > %(now)s
ORDER BY made_at, invitation_id

-- name: find_invitation_by_link
SELECT practice_id, invitation_id, role, invited_for, made_by, made_at, expires_at, used_at FROM invitation
WHERE link_hash = %(link_hash)s

-- name: use_invitation
UPDATE invitation SET used_at = %(now)s
WHERE practice_id = %(practice_id)s AND invitation_id = %(invitation_id)s AND used_at IS NULL AND expires_at > %(now)s

-- name: delete_invitation
DELETE FROM invitation WHERE practice_id = %(practice_id)s AND invitation_id = %(invitation_id)s AND used_at IS NULL
