"""The Brief: vehicle, tyres, motors, masses, and what the conversion must do."""
