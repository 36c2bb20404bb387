"""Releases and deliveries are records: the database itself refuses to change one."""

from django.db import migrations

FORWARD = """
CREATE FUNCTION build_record_is_a_record() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a release or delivery is never changed; add a new one' USING ERRCODE = 'check_violation';
END $$;
CREATE TRIGGER release_never_changes BEFORE UPDATE ON build_release
  FOR EACH ROW EXECUTE FUNCTION build_record_is_a_record();
CREATE TRIGGER delivery_never_changes BEFORE UPDATE ON build_delivery
  FOR EACH ROW EXECUTE FUNCTION build_record_is_a_record();
"""
BACKWARD = """
DROP TRIGGER release_never_changes ON build_release;
DROP TRIGGER delivery_never_changes ON build_delivery;
DROP FUNCTION build_record_is_a_record();
"""


class Migration(migrations.Migration):
    dependencies = [("build", "0001_releases_and_deliveries")]
    operations = [migrations.RunSQL(FORWARD, BACKWARD)]
