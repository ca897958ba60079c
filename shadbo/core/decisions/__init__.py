"""How a decision is written: edits, the levers that make them, and where each display keeps its own."""
