"""Bodies in space: where they stand, how near they come, how they get there, what they weigh."""
