"""Lucid Swatch: measures, sorts and scores the colours of a client's wardrobe."""

__version__ = "0.1.0"
