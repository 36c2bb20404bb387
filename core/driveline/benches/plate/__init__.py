"""The adapter plate between motor and gearbox."""
