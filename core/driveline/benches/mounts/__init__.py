"""The Mounts bench."""
