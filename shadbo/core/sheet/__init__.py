"""The sheet of sums: units, quantities, lines."""
