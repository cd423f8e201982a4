"""A look in other lights, and as it was worn."""
