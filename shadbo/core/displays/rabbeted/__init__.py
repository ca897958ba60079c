"""Frames with a rabbet, and what lies in it."""
