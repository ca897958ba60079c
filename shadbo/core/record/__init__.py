"""What was really made of a job, beside what was planned: sizes, minutes, material, checks, what went otherwise."""
