"""Arrangements tried by planning with them: proposed ones, and pieces moved by hand."""
