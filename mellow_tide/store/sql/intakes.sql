-- name: insert_intake
INSERT INTO intake (practice_id, intake_id, client_id, link_hash, expires_at)
VALUES (%(practice_id)s, %(intake_id)s, %(client_id)s, %(link_hash)s, %(expires_at)s)

-- name: find_intake
SELECT practice_id, intake_id, client_id, key_hash, made_at, expires_at, opened_at, handed_in_at, reviewed_at, sequence,
       answers AS stored_answers, verdicts
FROM intake WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s

-- name: intake_by_token
SELECT practice_id, intake_id, client_id, key_hash, made_at, expires_at, opened_at, handed_in_at, reviewed_at, sequence,
       answers AS stored_answers, verdicts
FROM intake WHERE link_hash = %(token_hash)s OR key_hash = %(token_hash)s

-- name: lock_intake
SELECT sequence, handed_in_at FROM intake WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s FOR UPDATE

-- name: intakes_of_client
SELECT practice_id, intake_id, client_id, key_hash, made_at, expires_at, opened_at, handed_in_at, reviewed_at, sequence,
       answers AS stored_answers, verdicts
FROM intake WHERE practice_id = %(practice_id)s AND client_id = %(client_id)s
ORDER BY made_at DESC, intake_id

-- name: open_intake
UPDATE intake SET key_hash = %(key_hash)s, opened_at = %(now)s
WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s AND key_hash IS NULL

-- name: save_answers
UPDATE intake SET answers = %(answers)s, sequence = %(sequence)s
WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s AND sequence < %(sequence)s AND handed_in_at IS NULL

-- name: hand_in
UPDATE intake SET answers = %(answers)s, sequence = %(sequence)s, handed_in_at = %(now)s
WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s AND handed_in_at IS NULL

-- name: withdraw_intake
UPDATE intake SET expires_at = least(expires_at, %(now)s)
WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s AND handed_in_at IS NULL

-- name: set_verdicts
UPDATE intake SET verdicts = %(verdicts)s, reviewed_at = %(reviewed_at)s
WHERE practice_id = %(practice_id)s AND intake_id = %(intake_id)s
