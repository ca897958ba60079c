"""The rules of the trade, as functions of values: no web, no database, no clock, no files."""
