"""What sensors beside the mat send, and what is read from it: contact lost, a shallow breath, a pelvis that rocks.

What is found is proposed; the specialist decides.
"""

from amvel.sensing.detectors import Detected, Detectors, Failure
from amvel.sensing.readings import Reading, Sensor

__all__ = ["Detected", "Detectors", "Failure", "Reading", "Sensor"]
