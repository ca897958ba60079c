"""What is built as solid things: bodies in places, and what must be true of real things."""
