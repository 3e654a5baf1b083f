"""The database itself refuses to change or delete what was recorded."""

from django.db import migrations

FUNCTION = """
CREATE FUNCTION amvel_append_only() RETURNS trigger AS $$
BEGIN RAISE EXCEPTION '% is append-only', TG_TABLE_NAME; END $$ LANGUAGE plpgsql;
"""
TRIGGER = "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON {0} FOR EACH ROW EXECUTE FUNCTION amvel_append_only();"
DROP = "DROP TRIGGER append_only ON {0};"
TABLES = ("clients_caserevision", "clients_auditentry")


class Migration(migrations.Migration):
    dependencies = [("clients", "0001_initial")]
    operations = [migrations.RunSQL(FUNCTION, "DROP FUNCTION amvel_append_only();"),
                  *(migrations.RunSQL(TRIGGER.format(t), DROP.format(t)) for t in TABLES)]
