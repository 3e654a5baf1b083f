from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("jobs", "0002_papers")]
    operations = [
        migrations.CreateModel(
            name="KeptPicture",
            fields=[
                ("digest", models.CharField(max_length=40, primary_key=True, serialize=False)),
                ("drawn", models.BinaryField()),
                ("used_on", models.DateField()),
            ],
            options={"indexes": [models.Index(fields=["used_on"], name="kept_picture_used")]},
        ),
    ]
