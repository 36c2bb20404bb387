"""What several benches share of joints: screws, what they hold, and how deep they go."""
