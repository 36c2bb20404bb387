"""Ratios: every way to gear it, and the one chosen."""
