"""Displays without a frame round the piece."""
