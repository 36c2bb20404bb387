"""Shafts and what joins them."""
