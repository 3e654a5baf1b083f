"""HL7 FHIR R4: what is known of a client as a bundle for other programs, and what another program's bundle says of a client."""

from amvel.formats.fhir.brought_in import Read, read_bundle
from amvel.formats.fhir.taken_out import bundle

__all__ = ["Read", "bundle", "read_bundle"]
