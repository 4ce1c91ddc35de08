"""PostgreSQL: named queries, migrations, rows to records, one translation of errors."""
