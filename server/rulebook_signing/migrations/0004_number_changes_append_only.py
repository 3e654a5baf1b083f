"""What was asked for and what became of it is never changed or deleted."""

from django.db import migrations

TABLES = ("rulebook_signing_numberchange", "rulebook_signing_changestep")
TRIGGER = "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON {0} FOR EACH ROW EXECUTE FUNCTION amvel_append_only();"


class Migration(migrations.Migration):
    dependencies = [("rulebook_signing", "0003_number_changes"), ("clients", "0002_append_only")]
    operations = [migrations.RunSQL(TRIGGER.format(t), f"DROP TRIGGER append_only ON {t};") for t in TABLES]
