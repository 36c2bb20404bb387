"""The server's own role: it reads, writes and takes away, but never a saved revision, a release or a delivery."""

from django.db import migrations

ROLE = """
DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'fernback_server') THEN
    CREATE ROLE fernback_server LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE;
  END IF;
  GRANT USAGE ON SCHEMA public TO fernback_server;
  GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO fernback_server;
  GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO fernback_server;
  ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO fernback_server;
  ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT USAGE, SELECT ON SEQUENCES TO fernback_server;
  REVOKE DELETE, TRUNCATE ON jobs_jobversion, build_release, build_delivery, library_partrevision,
    django_migrations FROM fernback_server;
EXCEPTION WHEN insufficient_privilege THEN
  RAISE NOTICE 'fernback_server is not made: the one who migrates may not make roles';
END $$;
"""


class Migration(migrations.Migration):
    """Grants, and what is not granted."""

    dependencies = [
        ("jobs", "0003_versions_say_their_format"),
        ("accounts", "0003_units_of_a_person"),
        ("build", "0003_parts_are_named_with_their_bench"),
        ("library", "0002_revisions_never_change"),
        ("scans", "0001_scans"),
        ("sessions", "0001_initial"),
        ("contenttypes", "0002_remove_content_type_name"),
        ("axes", "0010_accessattemptexpiration"),
    ]
    operations = [migrations.RunSQL(ROLE, migrations.RunSQL.noop)]
