"""What the day shows of a client is kept as messages, so that it can be said in every language."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("clients", "0006_delete_judgement")]

    operations = [
        migrations.SeparateDatabaseAndState(
            [
                migrations.RunSQL(
                    "ALTER TABLE clients_client ALTER COLUMN action TYPE jsonb USING to_jsonb(action)",
                    "ALTER TABLE clients_client ALTER COLUMN action TYPE varchar(200) USING left(action #>> '{}', 200)",
                ),
                # Summed up anew on the next look.
                migrations.RunSQL("UPDATE clients_client SET summed_up_on = NULL", migrations.RunSQL.noop),
            ],
            [migrations.AlterField("client", "action", models.JSONField(default=str))],
        ),
    ]
