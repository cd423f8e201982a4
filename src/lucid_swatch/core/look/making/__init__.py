"""Making looks from a wardrobe: which pieces are asked, which looks there are, how they are dressed and chosen."""
