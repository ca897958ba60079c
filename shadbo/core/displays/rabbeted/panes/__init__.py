"""A piece between two panes."""
