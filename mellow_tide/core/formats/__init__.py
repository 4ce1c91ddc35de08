"""The open formats in which contacts and records come in and go out."""
