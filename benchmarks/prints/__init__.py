"""Cloths drawn at random in many kinds, from which the program learns what a pattern is called."""
