"""A job that is done with is put away, and fetched back: it is never deleted."""

from django.db import migrations, models


class Migration(migrations.Migration):
    """When a job was put away."""

    dependencies = [("jobs", "0004_a_role_that_can_not_take_records_away")]
    operations = [migrations.AddField("job", "put_away_at", models.DateTimeField(blank=True, null=True))]
