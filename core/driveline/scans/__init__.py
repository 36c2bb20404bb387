"""Scans: files of triangles and solids that come in, made ready once, and kept by what they hold."""
