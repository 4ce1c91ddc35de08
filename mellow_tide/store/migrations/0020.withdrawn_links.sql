-- A link can be withdrawn: it ends before its time.

GRANT UPDATE (expires_at) ON intake TO mellow_tide_app;
