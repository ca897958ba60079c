"""A stiff backing, no frame."""
