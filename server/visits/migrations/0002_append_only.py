"""A logged visit is never changed or deleted; what is told later is another version of it."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("visits", "0001_initial"), ("clients", "0002_append_only")]
    operations = [migrations.RunSQL(
        "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON visits_loggedvisit FOR EACH ROW EXECUTE FUNCTION amvel_append_only();",
        "DROP TRIGGER append_only ON visits_loggedvisit;")]
