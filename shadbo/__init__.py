"""Shadbo plans how canvases and dimensional objects are framed for display."""
