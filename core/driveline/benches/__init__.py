"""The benches: each solved from its sheet and from what stands before it."""
