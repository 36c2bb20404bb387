"""Placement: will it go in, where exactly, and how does it get there."""
