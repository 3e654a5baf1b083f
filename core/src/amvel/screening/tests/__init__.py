"""One screening test a file."""
