"""Textile on board under glazing."""
