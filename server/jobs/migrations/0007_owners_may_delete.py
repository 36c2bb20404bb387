"""A job that was put away can be taken away for good, by one function that the server may call and no other way."""

from django.db import migrations

FORWARD = """
CREATE FUNCTION fernback_delete_job(which uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM jobs_job WHERE id = which AND put_away_at IS NOT NULL) THEN
    RAISE EXCEPTION 'only a job that was put away is deleted' USING ERRCODE = 'check_violation';
  END IF;
  DELETE FROM build_delivery WHERE release_id IN (SELECT id FROM build_release WHERE job_id = which);
  DELETE FROM build_release WHERE job_id = which;
  DELETE FROM jobs_presence WHERE job_id = which;
  DELETE FROM jobs_jobversion WHERE job_id = which;
  DELETE FROM jobs_job WHERE id = which;
END $$;
REVOKE ALL ON FUNCTION fernback_delete_job(uuid) FROM PUBLIC;
DO $$ BEGIN
  IF EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'fernback_server') THEN
    GRANT EXECUTE ON FUNCTION fernback_delete_job(uuid) TO fernback_server;
    REVOKE UPDATE, DELETE, TRUNCATE ON accounts_event FROM fernback_server;
  END IF;
END $$;
"""


class Migration(migrations.Migration):
    """One function, and one more record."""

    dependencies = [
        ("jobs", "0006_presence"),
        ("accounts", "0004_doors_and_invitations"),
        ("build", "0003_parts_are_named_with_their_bench"),
    ]
    operations = [migrations.RunSQL(FORWARD, "DROP FUNCTION fernback_delete_job(uuid)")]
