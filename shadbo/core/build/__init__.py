"""What a display turns into, and what it is built from."""
