"""What earlier programs left in their databases: one backup for each version of the tables, made by that program."""

from pathlib import Path

FILES = sorted(Path(__file__).parent.glob("*.zip"))
