"""A bought box frame, adapted."""
