"""Limits of size, interference and stack-ups."""
