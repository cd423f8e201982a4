"""Before buying: what a piece that does not hang there would do for a wardrobe, and which pieces are missing."""
