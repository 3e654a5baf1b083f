"""Conditions: what is known of a client before anything is measured, one file per part of the body or of life."""
