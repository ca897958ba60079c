"""A garment behind a stepped mat."""
