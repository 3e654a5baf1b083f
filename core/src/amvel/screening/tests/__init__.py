"""One file per screening test."""
