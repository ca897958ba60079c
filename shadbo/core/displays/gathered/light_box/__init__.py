"""Objects before a lit board."""
