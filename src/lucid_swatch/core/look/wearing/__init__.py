"""What was really worn."""
