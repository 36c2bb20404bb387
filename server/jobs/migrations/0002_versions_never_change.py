"""Saved versions are a record: the database itself refuses to change one."""

from django.db import migrations

FORWARD = """
CREATE FUNCTION job_version_is_a_record() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a saved version is never changed; save a new one' USING ERRCODE = 'check_violation';
END $$;
CREATE TRIGGER job_version_never_changes BEFORE UPDATE ON jobs_jobversion
  FOR EACH ROW EXECUTE FUNCTION job_version_is_a_record();
"""
BACKWARD = """
DROP TRIGGER job_version_never_changes ON jobs_jobversion;
DROP FUNCTION job_version_is_a_record();
"""


class Migration(migrations.Migration):
    dependencies = [("jobs", "0001_jobs_and_versions")]
    operations = [migrations.RunSQL(FORWARD, BACKWARD)]
