"""Hanging, planned from the assembly."""
