"""A poster between rails."""
