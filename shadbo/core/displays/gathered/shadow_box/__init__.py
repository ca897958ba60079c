"""Pieces on a board set back behind glazing."""
