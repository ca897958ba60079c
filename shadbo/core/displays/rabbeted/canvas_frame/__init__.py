"""A canvas in a rabbeted frame."""
