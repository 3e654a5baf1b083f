from django.db import migrations, models

from jobs.models import Work


class Migration(migrations.Migration):
    dependencies = [("jobs", "0001_initial")]
    operations = [
        migrations.AlterField(
            model_name="longanswer",
            name="work",
            field=models.CharField(choices=[(w.value, w.value) for w in Work], max_length=20),
        )
    ]
