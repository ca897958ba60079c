"""The displays, in families; ``kinds`` lists them, ``registry`` builds them."""
