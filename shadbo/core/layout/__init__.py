"""Layout of several pieces: by rules, by hand with snapping, or proposed by a solver."""
