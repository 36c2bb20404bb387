"""A body held by mounts: what each carries, how far it moves, how it shakes, and what is left free."""
