"""The therapist's own load: strain of each stroke, of a session and of a day, and the tools that lower it."""
