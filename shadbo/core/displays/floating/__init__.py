"""Floaters: an even gap round a canvas."""
