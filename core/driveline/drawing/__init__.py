"""Drawings: made once, as data; screen, DXF and SVG all come from the same entities."""
