"""An old window as frame."""
