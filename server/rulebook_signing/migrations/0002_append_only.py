"""Signatures are never changed or deleted; a changed mind is a new one."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("rulebook_signing", "0001_initial"), ("clients", "0002_append_only")]
    operations = [migrations.RunSQL(
        "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON rulebook_signing_linesignature FOR EACH ROW EXECUTE FUNCTION amvel_append_only();",
        "DROP TRIGGER append_only ON rulebook_signing_linesignature;")]
