-- name: house_of_practice
SELECT house FROM practice WHERE practice_id = %(practice_id)s

-- name: lock_house
SELECT house FROM practice WHERE practice_id = %(practice_id)s FOR UPDATE

-- name: put_house
UPDATE practice SET house = %(house)s WHERE practice_id = %(practice_id)s

-- name: insert_house_change
INSERT INTO house_change (practice_id, person_name, item, before, after)
VALUES (%(practice_id)s, %(person_name)s, %(item)s, %(before)s, %(after)s)

-- name: newest_house_changes
SELECT DISTINCT ON (item) changed_at, person_name, item, before, after FROM house_change
WHERE practice_id = %(practice_id)s
ORDER BY item, place DESC

-- name: house_changes_since_plan
SELECT h.changed_at, h.person_name, h.item, h.before, h.after
FROM house_change h
JOIN session s ON s.practice_id = h.practice_id
WHERE h.practice_id = %(practice_id)s AND s.session_id = %(session_id)s AND h.changed_at > s.known_until
ORDER BY h.place

-- name: steps_behind
SELECT skipped_steps
       || CASE WHEN EXISTS (SELECT FROM house_change h
                            WHERE h.practice_id = p.practice_id AND h.item = ANY(%(room_items)s)) THEN ARRAY['room'] END
       || CASE WHEN EXISTS (SELECT FROM membership m
                            WHERE m.practice_id = p.practice_id AND m.person_id = %(person_id)s
                                  AND m.hours IS NOT NULL) THEN ARRAY['hours'] END
       || CASE WHEN EXISTS (SELECT FROM house_change h
                            WHERE h.practice_id = p.practice_id AND h.item <> ALL(%(room_items)s))
               THEN ARRAY['house'] END
       || CASE WHEN EXISTS (SELECT FROM client c WHERE c.practice_id = p.practice_id) THEN ARRAY['client'] END
FROM practice p WHERE practice_id = %(practice_id)s

-- name: skip_step
UPDATE practice SET skipped_steps = array_append(skipped_steps, %(step)s)
WHERE practice_id = %(practice_id)s AND NOT (%(step)s = ANY(skipped_steps))
