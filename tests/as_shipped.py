"""The demo as it was shipped, kept beside itself in the database: put back in some milliseconds.

Both work as the cluster's superuser, whom row-level security does not bind.
"""

import psycopg
from psycopg.sql import SQL, Identifier

TABLES = """
    SELECT c.relname, array_agg(a.attname ORDER BY a.attnum)
    FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
    WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace AND c.relname !~ 'yoyo'
      AND a.attnum > 0 AND NOT a.attisdropped AND a.attgenerated = ''
    GROUP BY c.relname
"""


def keep_as_shipped(superuser_dsn: str) -> None:
    """Copy every row of every table."""
    with psycopg.connect(superuser_dsn) as connection:
        connection.execute("DROP SCHEMA IF EXISTS as_shipped CASCADE")
        connection.execute("CREATE SCHEMA as_shipped")
        for table, columns in connection.execute(TABLES).fetchall():
            names = SQL(", ").join(map(Identifier, columns))
            copy = SQL("CREATE TABLE {} AS SELECT {} FROM {}")
            connection.execute(copy.format(Identifier("as_shipped", table), names, Identifier(table)))


def put_back(superuser_dsn: str) -> None:
    """Every table as it was, in one transaction."""
    with psycopg.connect(superuser_dsn) as connection:
        # Nobody looks at foreign keys meanwhile: the whole is as it was, so they hold.
        connection.execute("SET LOCAL session_replication_role = replica")
        for table, columns in connection.execute(TABLES).fetchall():
            names = SQL(", ").join(map(Identifier, columns))
            connection.execute(SQL("DELETE FROM {}").format(Identifier(table)))
            copy = SQL("INSERT INTO {} ({}) OVERRIDING SYSTEM VALUE SELECT {} FROM {}")
            there = Identifier("as_shipped", table)
            connection.execute(copy.format(Identifier(table), names, names, there))
