"""Strength of metal parts: bolts, sleeves, legs and plates."""
