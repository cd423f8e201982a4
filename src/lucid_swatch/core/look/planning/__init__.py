"""Looks become days: capsules, and what follows from them."""
