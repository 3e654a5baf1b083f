"""Stored programmes are never changed or deleted."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("programmes", "0001_initial"), ("clients", "0002_append_only")]
    operations = [migrations.RunSQL(
        "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON programmes_programme FOR EACH ROW EXECUTE FUNCTION amvel_append_only();",
        "DROP TRIGGER append_only ON programmes_programme;")]
