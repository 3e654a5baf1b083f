"""Long answers of the core: asked for once, worked out by whoever is free, kept for everybody who asks the same."""

import uuid
from datetime import timedelta
from enum import StrEnum

from django.conf import settings
from django.db import models
from django.utils import timezone

from accounts.models import Organisation
from config.said_json import SaidJSONField

LOST_AFTER = timedelta(seconds=15)  # without a sign of life, whoever worked on an answer is taken for dead


class Work(StrEnum):
    """What takes longer than a page may wait."""

    VERDICTS = "verdicts"
    DUE_TESTS = "due_tests"
    EFFECTS = "effects"
    PLAN = "plan"
    SWAPS = "swaps"
    CHOSEN = "chosen"
    WHAT_IF = "what_if"
    DRY_RUN = "dry_run"
    DRY_RUN_PART = "dry_run_part"
    PAPERS = "papers"
    RUN_SHEET = "run_sheet"
    PROGRESS = "progress"
    PRACTICE = "practice"


# What is asked of a programme as it stands today: its digest holds the day, so that nobody asks the same again tomorrow.
OF_ONE_DAY = (Work.PLAN, Work.SWAPS, Work.CHOSEN, Work.WHAT_IF, Work.RUN_SHEET, Work.PAPERS)


class LongAnswer(models.Model):
    """One question by its digest, and its answer once it is there.

    `asked` holds what a worker needs to begin; `beat_at` is the last sign of life of whoever works on it, `share` how far it is.
    Thrown away freely, worked out again; what nobody has asked for in 90 days goes by itself.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.CASCADE)
    work = models.CharField(max_length=20, choices=[(w.value, w.value) for w in Work])
    digest = models.CharField(max_length=64)
    asked = models.JSONField(default=dict)
    asked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    asked_at = models.DateTimeField(auto_now_add=True)
    urgency = models.SmallIntegerField(default=0)  # of the most urgent job there is for it
    beat_at = models.DateTimeField(null=True)
    share = models.FloatField(default=0.0)
    done_at = models.DateTimeField(null=True)
    answer = SaidJSONField(null=True)
    failed = models.CharField(max_length=200, blank=True)
    used_on = models.DateField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["organisation", "work", "digest"], name="one_answer_per_question")]
        indexes = [
            models.Index(fields=["used_on"], name="long_answer_used"),
            models.Index(fields=["organisation", "asked_by"], name="long_answer_waiting", condition=models.Q(done_at=None)),
        ]

    @property
    def done(self) -> bool:
        return self.done_at is not None

    @property
    def lost(self) -> bool:
        """Somebody was at it, and has given no sign of life since."""
        return self.beat_at is not None and self.beat_at < timezone.now() - LOST_AFTER


class SolvedBody(models.Model):
    """What is solved for one body with its capacities, under one model: nobody's name, case or organisation is in it.

    `digest` is of measures, capacities and the content of the model, so that another model finds nothing of this one.
    """

    digest = models.CharField(primary_key=True, max_length=40)
    profiles = models.BinaryField()
    used_on = models.DateField()

    class Meta:
        indexes = [models.Index(fields=["used_on"], name="solved_body_used")]


class KeptPicture(models.Model):
    """A drawing for one body, under one model: nobody's name, case or organisation is in it.

    `digest` is of the body's own digest and of what is drawn; `drawn` holds SVG documents, compressed.
    """

    digest = models.CharField(primary_key=True, max_length=40)
    drawn = models.BinaryField()
    used_on = models.DateField()

    class Meta:
        indexes = [models.Index(fields=["used_on"], name="kept_picture_used")]
