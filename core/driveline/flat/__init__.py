"""Flat parts: holes, outlines, clocking, nesting."""
