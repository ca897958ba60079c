"""Plane shapes: rings, polygons, letters, artwork."""
