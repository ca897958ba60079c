"""A gauge's stand-in: a digital caliper and a tape with a wireless key, as a service of its own."""
