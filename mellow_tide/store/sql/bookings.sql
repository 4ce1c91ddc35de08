-- name: bookings_between
SELECT s.session_id, s.client_id, c.name AS client_name, s.person_id, s.starts_at, s.booked_minutes AS minutes
FROM session s
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
WHERE s.practice_id = %(practice_id)s AND s.starts_at >= %(from)s AND s.starts_at < %(until)s
  AND (%(of_person)s::uuid IS NULL OR s.person_id = %(of_person)s)
  AND s.comes
ORDER BY s.starts_at, s.session_id

-- name: bookings_named
SELECT s.session_id, s.client_id, c.name AS client_name, s.person_id, s.starts_at, s.booked_minutes AS minutes
FROM session s
JOIN client c ON c.practice_id = s.practice_id AND c.client_id = s.client_id
WHERE s.practice_id = %(practice_id)s AND s.session_id = ANY(%(sessions)s) AND s.starts_at > %(after)s AND s.comes
ORDER BY s.starts_at, s.session_id

-- name: last_booking_of_client
SELECT s.session_id FROM session s
WHERE s.practice_id = %(practice_id)s AND s.client_id = %(client_id)s AND s.comes
ORDER BY s.starts_at <= tide_now() DESC, abs(extract(epoch FROM s.starts_at - tide_now())), s.session_id
LIMIT 1

-- name: move_session
UPDATE session SET starts_at = %(starts_at)s, person_id = %(works_it)s, revision = revision + 1
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: set_attendance
UPDATE session SET attendance = %(attendance)s, attendance_note = %(note)s, revision = revision + 1
WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: set_series
UPDATE session SET series_id = %(series_id)s WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s

-- name: later_of_series
SELECT session_id FROM session
WHERE practice_id = %(practice_id)s AND series_id = %(series_id)s AND starts_at > %(after)s
  AND comes
ORDER BY starts_at, session_id

-- name: take_back_booking
SELECT take_back_booking(%(session_id)s)

-- name: hold_bookings
SELECT pg_advisory_xact_lock(hashtextextended('bookings ' || %(practice_id)s::text, 0))

-- name: is_booked
SELECT EXISTS (SELECT FROM session WHERE practice_id = %(practice_id)s AND session_id = %(session_id)s)

-- name: starts_of_sessions
SELECT session_id, starts_at FROM session WHERE practice_id = %(practice_id)s AND session_id = ANY(%(sessions)s)

-- name: next_session_of_client
SELECT later.starts_at FROM session here
JOIN session later ON later.practice_id = here.practice_id AND later.client_id = here.client_id
WHERE here.practice_id = %(practice_id)s AND here.session_id = %(session_id)s
  AND later.starts_at > here.starts_at AND later.comes
ORDER BY later.starts_at LIMIT 1
