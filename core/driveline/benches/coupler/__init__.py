"""The Coupler bench."""
