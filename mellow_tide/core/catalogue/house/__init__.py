"""What a practice has chosen, and the catalogue as it then stands."""
