"""What is said beside the score."""
