"""Open formats: the job file, and plans as tables."""
