"""Lengths as people say them, sentences in both systems, workings."""
