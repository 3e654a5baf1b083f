"""What the day shows of a client, kept beside it; parts of a name are found by index."""

import django.contrib.postgres.indexes
import django.db.models.functions.text
from django.contrib.postgres.operations import TrigramExtension
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("clients", "0003_judgement_in_parts")]

    operations = [
        TrigramExtension(),
        migrations.AddField("client", "name", models.CharField(blank=True, default="", max_length=200), preserve_default=False),
        migrations.AddField("client", "birth_date", models.DateField(null=True)),
        migrations.AddField("client", "conditions", models.JSONField(default=list)),
        migrations.AddField("client", "station", models.CharField(blank=True, default="", max_length=20), preserve_default=False),
        migrations.AddField("client", "action", models.CharField(blank=True, default="", max_length=200), preserve_default=False),
        migrations.AddField("client", "tone", models.CharField(blank=True, default="", max_length=10), preserve_default=False),
        migrations.AddField("client", "summed_up_on", models.DateField(null=True)),
        migrations.AddField("client", "summed_up_by", models.CharField(blank=True, default="", max_length=20), preserve_default=False),
        migrations.AddIndex(
            "client", models.Index(fields=["organisation", "visit_at", "created_at", "id"], name="client_day")
        ),
        migrations.AddIndex(
            "client",
            django.contrib.postgres.indexes.GinIndex(
                django.contrib.postgres.indexes.OpClass(
                    django.db.models.functions.text.Upper("name"), name="gin_trgm_ops"
                ),
                name="client_name_parts",
            ),
        ),
    ]
