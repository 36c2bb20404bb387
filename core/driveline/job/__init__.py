"""A whole job: its file, its benches, and what follows from them."""
