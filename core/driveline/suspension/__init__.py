"""How a wheel moves: where its end of a shaft stands at every height and lock."""
