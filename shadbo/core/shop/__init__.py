"""The workshop as a value: stock and practice."""
