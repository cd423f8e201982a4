"""A book as files: pages of a PDF, one page for a telephone, and pictures."""
