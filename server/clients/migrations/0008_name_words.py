"""Names are found by the beginnings of their words, not by any part of them."""

from django.contrib.postgres.indexes import GinIndex
from django.contrib.postgres.search import SearchVector
from django.db import migrations
from django.db.models import F, Func, Value

WORDS = SearchVector(Func(F("name"), Value(r"[-.,;:'’`´_/@()&]+"), Value(" "), Value("g"), function="regexp_replace"), config="simple")


class Migration(migrations.Migration):
    dependencies = [("clients", "0007_summary_said")]

    operations = [
        migrations.RemoveIndex("client", "client_name_parts"),
        migrations.AddIndex("client", GinIndex(WORDS, name="client_name_words")),
    ]
