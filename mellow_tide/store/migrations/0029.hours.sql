-- When a therapist works in a practice; null where nobody has said.

ALTER TABLE membership ADD COLUMN hours jsonb;
GRANT UPDATE (hours) ON membership TO mellow_tide_app;
