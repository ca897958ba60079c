"""A puzzle under glazing."""
