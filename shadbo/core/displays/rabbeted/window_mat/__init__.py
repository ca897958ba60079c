"""Paper behind a window mat."""
