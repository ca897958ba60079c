"""Heavy work: what is done outside a request, under limits of time and memory."""
