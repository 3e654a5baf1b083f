"""Finding the parts of a case by file: every module of a folder adds its models, and nothing else is touched."""

import importlib
import pkgutil
from collections.abc import Iterable
from types import ModuleType
from typing import TypeVar, get_args

from amvel.case.parts import Titled

T = TypeVar("T", bound=Titled)


def models_in(package: ModuleType, base: type[T], tag: str) -> dict[str, type[T]]:
    """Every model of the package's files by its tag ('kind' or 'test'); a malformed one fails at import."""
    found: dict[str, type[T]] = {}
    for module in pkgutil.iter_modules(package.__path__):
        name = f"{package.__name__}.{module.name}"
        for model in _own_models(importlib.import_module(name), base):
            words = get_args(model.model_fields[tag].annotation)
            if not words:  # a base that several models of the file share
                continue
            key = str(words[0])
            needed: dict[str, object] = {tag: key, "TITLE": model.TITLE, "GROUP": model.GROUP}
            if tag == "kind":
                needed["EXAMPLES"] = model.EXAMPLES
                needed["AFFECTS"] = getattr(model, "AFFECTS", None) is not None
            for part, there in needed.items():
                if not there:
                    raise ValueError(f"{name}.{model.__name__}: '{part}' is missing")
            if key in found:
                raise ValueError(f"{name}.{model.__name__}: '{key}' is declared twice")
            found[key] = model
    return found


def _own_models(module: ModuleType, base: type[T]) -> Iterable[type[T]]:
    return (
        m
        for m in vars(module).values()
        if isinstance(m, type) and issubclass(m, base) and m.__module__ == module.__name__
    )
