"""The book that a client takes home: what each page says, in a client's words, and where a piece is to be found in it."""
