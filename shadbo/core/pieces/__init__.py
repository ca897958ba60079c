"""Things that are shown: their kinds, facts, measures and outlines."""
