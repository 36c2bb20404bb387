"""Worked examples computed independently of the core: ``python -m tests.examples FILE`` runs a file of them.

Each example has a ``kind``; an adapter for the kind maps ``given`` to the core and returns what ``expect`` names.
"""
