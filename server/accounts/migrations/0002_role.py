"""Everybody has a role; whoever was there before roles came is a specialist, as before."""

from django.db import migrations, models


def specialists(apps, schema_editor):
    apps.get_model("accounts", "User").objects.update(role="specialist")


class Migration(migrations.Migration):
    dependencies = [("accounts", "0001_initial")]
    operations = [
        migrations.AddField(
            "user",
            "role",
            models.CharField(
                choices=[(r, r) for r in ("assistant", "specialist", "clinician", "administrator")],
                default="assistant",
                max_length=20,
            ),
        ),
        migrations.RunPython(specialists, migrations.RunPython.noop),
    ]
