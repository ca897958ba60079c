"""Several pieces, or things with depth, in one frame."""
