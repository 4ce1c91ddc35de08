"""The machines of the room: as they are by themselves, and as programs that are spoken to, slowed and killed."""
