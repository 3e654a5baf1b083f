from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ("clients", "0009_when_it_came_about"),
    ]

    operations = [
        migrations.AddField("client", "visit_on", models.DateField(null=True)),
        migrations.RemoveIndex("client", "client_day"),
        migrations.AddIndex(
            "client", models.Index(fields=["organisation", "visit_on", "visit_at", "created_at", "id"], name="client_day")
        ),
    ]
