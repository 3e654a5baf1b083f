"""All sessions of a person can be ended at once."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0002_role")]
    operations = [migrations.AddField("user", "session_round", models.PositiveIntegerField(default=0))]
