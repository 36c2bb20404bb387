"""What people type and the files they bring."""
