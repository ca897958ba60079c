"""The shop's own habits, each in words, with an example of what it changes."""
