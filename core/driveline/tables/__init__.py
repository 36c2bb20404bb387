"""Standards' tables as data files, and what reads them."""
