"""A panel that stands in a groove of a rail on the wall."""
