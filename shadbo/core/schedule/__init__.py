"""When the work of all jobs is done: by whom, when each is ready, and what makes that day."""
