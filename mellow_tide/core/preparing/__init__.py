"""What is done before the client comes: the room, the things in their order, the therapist's own minute."""
