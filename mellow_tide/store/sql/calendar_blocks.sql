-- name: blocks_between
SELECT block_id, title, starts_at, ends_at, whole_days, event_uid FROM calendar_block
WHERE practice_id = %(practice_id)s AND person_id = %(of_person)s
  AND starts_at < %(until)s AND ends_at > %(from)s
ORDER BY starts_at, block_id

-- name: blocks_of_events
SELECT block_id, title, starts_at, ends_at, whole_days, event_uid FROM calendar_block
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s
  AND event_uid = ANY(%(uids)s) AND ends_at > %(after)s

-- name: set_block
INSERT INTO calendar_block (practice_id, person_id, block_id, event_uid, title, starts_at, ends_at, whole_days)
VALUES (%(practice_id)s, %(person_id)s, %(block_id)s, %(event_uid)s, %(title)s, %(starts_at)s, %(ends_at)s, %(whole_days)s)
ON CONFLICT (practice_id, block_id) DO UPDATE
SET event_uid = excluded.event_uid, title = excluded.title, starts_at = excluded.starts_at,
    ends_at = excluded.ends_at, whole_days = excluded.whole_days
WHERE calendar_block.person_id = excluded.person_id

-- name: delete_blocks
DELETE FROM calendar_block
WHERE practice_id = %(practice_id)s AND person_id = %(person_id)s AND block_id = ANY(%(blocks)s)
