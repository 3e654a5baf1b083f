"""Amvel's core: screens, judges, modifies and plans on a body model of the client."""

__version__ = "0.1.0"
