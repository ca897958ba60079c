"""Routers: one a subject."""
