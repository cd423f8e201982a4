"""What may be worn together, and what a wardrobe makes of it: mends, company, good looks."""
