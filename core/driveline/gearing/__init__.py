"""From a motor to the road: chains of stages, motors, tyres, and what they do together."""
