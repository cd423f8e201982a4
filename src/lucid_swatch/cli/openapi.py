"""lucid-swatch openapi."""

from lucid_swatch.assemble import openapi_document

from .output import print_json


def openapi() -> None:
    """Print the description from which the browser's client is generated."""
    print_json(openapi_document())
