-- name: prepared_items
SELECT session_id, item, done_at, done_by
FROM prepared_item
WHERE practice_id = %(practice_id)s AND session_id = ANY(%(sessions)s)

-- name: tick_prepared
INSERT INTO prepared_item (practice_id, session_id, item, done_at, done_by)
VALUES (%(practice_id)s, %(session_id)s, %(item)s, tide_now(), %(person_name)s)
ON CONFLICT (practice_id, session_id, item) DO NOTHING

-- name: untick_prepared
DELETE FROM prepared_item
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s AND item = %(item)s

-- name: find_self_check
SELECT wrists, thumbs, back
FROM self_check
WHERE practice_id = %(practice_id)s AND person_id = %(of_person)s AND day = %(day)s

-- name: keep_self_check
INSERT INTO self_check (practice_id, person_id, day, wrists, thumbs, back)
VALUES (%(practice_id)s, %(person_id)s, %(day)s, %(wrists)s, %(thumbs)s, %(back)s)
ON CONFLICT (practice_id, person_id, day)
DO UPDATE SET wrists = excluded.wrists, thumbs = excluded.thumbs, back = excluded.back

-- name: stock
SELECT item, sum(amount)::integer AS amount
FROM stock_entry
WHERE practice_id = %(practice_id)s
GROUP BY item
ORDER BY item

-- name: insert_stock_entry
INSERT INTO stock_entry (practice_id, entry_id, item, amount, session_id, entered_at)
VALUES (%(practice_id)s, %(entry_id)s, %(item)s, %(amount)s, %(session_id)s, tide_now())
ON CONFLICT DO NOTHING
