"""Programmes of before were one session: each movement says so now, and the content stays the same."""

from django.db import migrations

_LOCK = "ALTER TABLE programmes_programme {} TRIGGER append_only;"


def one_session(answer: dict) -> dict:
    """The same answer as the one session that it was."""
    movements = [{**m, "sessions": ["A"]} for m in answer["movements"]]
    session = {
        "id": "A",
        "movements": [m["ref"] for m in movements],
        "minutes": answer["minutes"],
        "changes_of_position": answer["changes_of_position"],
        "ways": answer.get("ways", []),
    }
    return {**answer, "movements": movements, "sessions": [session] if movements else []}


def forward(apps, schema_editor) -> None:
    model = apps.get_model("programmes", "Programme")
    for programme in model.objects.iterator():
        model.objects.filter(pk=programme.pk).update(answer=one_session(programme.answer))


class Migration(migrations.Migration):
    dependencies = [("programmes", "0004_each_side_by_itself")]
    operations = [
        migrations.RunSQL(_LOCK.format("DISABLE"), _LOCK.format("ENABLE")),
        migrations.RunPython(forward, migrations.RunPython.noop),
        migrations.RunSQL(_LOCK.format("ENABLE"), _LOCK.format("DISABLE")),
    ]
