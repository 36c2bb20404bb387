"""The Axles & propshafts bench."""
