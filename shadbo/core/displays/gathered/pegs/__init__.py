"""An object on dowels in an open frame."""
