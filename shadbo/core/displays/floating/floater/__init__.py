"""The L-profile floater."""
