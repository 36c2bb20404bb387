"""Sheets are kept as the job file's version then wrote them, and say which; those kept so far are of version 1."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("jobs", "0002_versions_never_change")]
    operations = [
        migrations.AddField("jobversion", "format_version", models.PositiveSmallIntegerField(default=1)),
    ]
