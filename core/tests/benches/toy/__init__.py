"""A bench that only tests know: a shelf for the controller, drawn from its width."""
