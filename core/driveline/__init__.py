"""The rules of a conversion's driveline: measurements in, answers with their working out.

Pure Python: no web, no database, no clock, no chance. Imports go one way:
``errors``, ``tables``, ``checks`` ← subjects (``measure``, ``tyre``, ``chain`` …) ← benches ← ``job``.
"""
