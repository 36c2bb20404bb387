"""Surveys of holes: from readings as typed to points, whatever the part."""
