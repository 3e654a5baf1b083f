"""What the core reads by itself: any JSON object; it names every fault by its path, in words of the field."""

from pydantic import JsonValue

Json = dict[str, JsonValue]
