"""The store: PostgreSQL through SQLAlchemy. Every row belongs to a workshop."""
