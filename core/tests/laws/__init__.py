"""Laws that every check must keep, over jobs that are made from the demo's."""
