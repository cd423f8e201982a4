"""Looks as arrays: what is known of pieces and pairs, the batch, points and what each rule is worth."""
