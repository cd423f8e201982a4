"""What the screens send and get: a file for each router."""
