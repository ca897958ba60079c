"""The sums, one file a subject. Each puts its lines on a sheet and returns the quantities."""
