"""The floater from plain stock."""
