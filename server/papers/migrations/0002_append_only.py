"""Texts are never changed or deleted; a correction is a new version."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("papers", "0001_initial"), ("clients", "0002_append_only")]
    operations = [migrations.RunSQL(
        "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON papers_organisationtext FOR EACH ROW EXECUTE FUNCTION amvel_append_only();",
        "DROP TRIGGER append_only ON papers_organisationtext;")]
