"""The log of visits in parts by client: it is by far the table that grows most, and a client is always looked up by their key.

A part is a table of its own with its own indexes, so that cleaning up, backing up and moving to another disk go part by part.
The key of a row holds the client, since a part can only keep unique what it can see.
"""

from django.db import migrations

PARTS = 16
_PART = "CREATE TABLE visits_loggedvisit_{n} PARTITION OF visits_loggedvisit FOR VALUES WITH (MODULUS {parts}, REMAINDER {n})"
_COMMON = [
    "INSERT INTO visits_loggedvisit SELECT * FROM visits_loggedvisit_before",
    "DROP TABLE visits_loggedvisit_before",
    "ALTER TABLE visits_loggedvisit ADD CONSTRAINT one_visit_per_version UNIQUE (client_id, key, version)",
    "ALTER TABLE visits_loggedvisit ADD CONSTRAINT visit_of_client_fk FOREIGN KEY (client_id)"
    " REFERENCES clients_client (id) DEFERRABLE INITIALLY DEFERRED",
    "ALTER TABLE visits_loggedvisit ADD CONSTRAINT visit_by_author_fk FOREIGN KEY (author_id)"
    " REFERENCES accounts_user (id) DEFERRABLE INITIALLY DEFERRED",
    "CREATE INDEX visit_of_client ON visits_loggedvisit (client_id, created_at)",
    "CREATE INDEX visit_by_author ON visits_loggedvisit (author_id)",
    "CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON visits_loggedvisit FOR EACH ROW EXECUTE FUNCTION amvel_append_only()",
]
_ASIDE = ["SET CONSTRAINTS ALL IMMEDIATE", "ALTER TABLE visits_loggedvisit RENAME TO visits_loggedvisit_before"]
_LIKE = "CREATE TABLE visits_loggedvisit (LIKE visits_loggedvisit_before INCLUDING DEFAULTS INCLUDING CONSTRAINTS)"

IN_PARTS = [
    *_ASIDE,
    f"{_LIKE} PARTITION BY HASH (client_id)",
    *(_PART.format(n=n, parts=PARTS) for n in range(PARTS)),
    *_COMMON,
    "ALTER TABLE visits_loggedvisit ADD PRIMARY KEY (client_id, id)",
]
IN_ONE = [*_ASIDE, _LIKE, *_COMMON, "ALTER TABLE visits_loggedvisit ADD PRIMARY KEY (id)"]


class Migration(migrations.Migration):
    dependencies = [("visits", "0003_when_it_came_about"), ("clients", "0002_append_only"), ("accounts", "0001_initial")]
    operations = [migrations.RunSQL(IN_PARTS, IN_ONE)]
