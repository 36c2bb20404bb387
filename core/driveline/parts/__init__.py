"""Made parts of any bench: drawings, releases and deliveries."""
