"""Joints that bend as they turn: their angles, and how a chain of crosses shakes."""
