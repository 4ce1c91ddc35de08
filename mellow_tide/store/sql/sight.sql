-- name: set_sight
SELECT set_config('tide.practice', %(practice)s, true),
       set_config('tide.person', %(person)s, true),
       set_config('tide.email', %(email)s, true),
       set_config('tide.token', %(token)s, true),
       set_config('tide.now', %(now)s, true)
