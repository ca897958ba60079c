"""Practice for apprentices: lines of a plan to be worked out by hand, and the slips that a wrong answer shows."""
