"""Questions that a station asks, as data."""
