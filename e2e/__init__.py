"""The interface, driven in Chromium."""
