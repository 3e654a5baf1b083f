"""What the core reads by itself: any JSON object; it names every fault by its path, in words of the field."""

from typing import Annotated, Any

from pydantic import BaseModel, GetJsonSchemaHandler, JsonValue, WithJsonSchema
from pydantic.json_schema import JsonSchemaValue

JsonObject = dict[str, JsonValue]
Json = Annotated[JsonObject, WithJsonSchema({"type": "object", "additionalProperties": True})]


class OfModel:
    """Marks JSON that the core reads as one of its models: the API's document shows that model, the core finds the faults."""

    def __init__(self, model: type[BaseModel]) -> None:
        self._model = model

    def __get_pydantic_json_schema__(self, _schema: Any, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        return handler(self._model.__pydantic_core_schema__)
