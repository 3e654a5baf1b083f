"""Who goes through the lines of the rule-book, and how often."""

from datetime import timedelta
from enum import StrEnum

from amvel.languages import Message, said

READ_AGAIN_AFTER = timedelta(days=365)  # our choice


class Profession(StrEnum):
    """Who is asked to go through a rule."""

    BONE = "bone specialist"
    DEVELOPMENT = "specialist in developmental conditions"
    DEVICE_CLINIC = "clinic that fitted the device"
    DIABETES = "diabetes clinic"
    EYES = "eye specialist"
    GENERAL_PRACTICE = "general practitioner"
    HEART = "heart specialist"
    LUNGS = "lung specialist"
    NEUROLOGY = "neurologist or neurological physiotherapist"
    OLDER_PEOPLE = "specialist in the care of older people"
    ORTHOPAEDICS = "orthopaedic surgeon"
    PELVIC_HEALTH = "pelvic-health physiotherapist"
    PHYSIOTHERAPY = "physiotherapist"
    PREGNANCY = "midwife or obstetrician"
    SKIN = "wound nurse"
    SURGEON = "surgeon who operated"

    @property
    def says(self) -> Message:
        """For a page, in its language."""
        return said(self.value)
