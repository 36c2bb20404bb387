"""Jobs name the revision that they copied: the database itself refuses to change one."""

from django.db import migrations

FORWARD = """
CREATE FUNCTION part_revision_is_a_record() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a part''s revision is never changed; write the next one' USING ERRCODE = 'check_violation';
END $$;
CREATE TRIGGER part_revision_never_changes BEFORE UPDATE ON library_partrevision
  FOR EACH ROW EXECUTE FUNCTION part_revision_is_a_record();
"""
BACKWARD = """
DROP TRIGGER part_revision_never_changes ON library_partrevision;
DROP FUNCTION part_revision_is_a_record();
"""


class Migration(migrations.Migration):
    dependencies = [("library", "0001_parts_and_their_revisions")]
    operations = [migrations.RunSQL(FORWARD, BACKWARD)]
