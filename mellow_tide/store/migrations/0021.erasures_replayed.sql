-- Whom an erasure took away, by id alone: a backup that is restored later erases the same clients again.

ALTER TABLE erasure ADD COLUMN client_id uuid;
