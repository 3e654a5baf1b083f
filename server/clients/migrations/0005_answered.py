"""Answers to requests that may be sent twice."""

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [migrations.swappable_dependency(settings.AUTH_USER_MODEL), ("clients", "0004_summary")]

    operations = [
        migrations.CreateModel(
            name="Answered",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("key", models.CharField(max_length=80)),
                ("asked", models.CharField(max_length=64)),
                ("status", models.PositiveSmallIntegerField(null=True)),
                ("body", models.TextField(blank=True)),
                ("at", models.DateTimeField(auto_now_add=True)),
                (
                    "user",
                    models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, to=settings.AUTH_USER_MODEL),
                ),
            ],
            options={
                "indexes": [models.Index(fields=["at"], name="answered_at")],
                "constraints": [models.UniqueConstraint(fields=("user", "key"), name="one_answer_per_key")],
            },
        ),
    ]
