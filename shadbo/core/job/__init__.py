"""The job, and how it is changed."""
