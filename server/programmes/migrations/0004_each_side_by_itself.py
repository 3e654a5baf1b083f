"""Stored movements get a set-up for each side: the same content in the new form, so that the append-only lock is opened for it."""

from django.db import migrations

_LOCK = "ALTER TABLE programmes_programme {} TRIGGER append_only;"


def set_ups(movement: dict) -> list[dict]:
    """What was one set-up for all sides, side by side; a round more on one side is that side's own number of rounds."""
    own = {k: movement[k] for k in ("values", "repetitions", "hold_s", "verdict")}
    more = movement.get("extra_side", "")
    return [{"side": side, **own, "sets": movement["sets"] + (side == more)} for side in movement["sides"]]


def forward(apps, schema_editor) -> None:
    model = apps.get_model("programmes", "Programme")
    gone = ("sides", "values", "repetitions", "sets", "hold_s", "verdict", "extra_side")
    for programme in model.objects.iterator():
        movements = [
            {**{k: v for k, v in m.items() if k not in gone}, "set_ups": set_ups(m)} for m in programme.answer["movements"]
        ]
        model.objects.filter(pk=programme.pk).update(answer={**programme.answer, "movements": movements})


class Migration(migrations.Migration):
    dependencies = [("programmes", "0003_undo_and_redo")]
    operations = [
        migrations.RunSQL(_LOCK.format("DISABLE"), _LOCK.format("ENABLE")),
        migrations.RunPython(forward, migrations.RunPython.noop),
        migrations.RunSQL(_LOCK.format("ENABLE"), _LOCK.format("DISABLE")),
    ]
