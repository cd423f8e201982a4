"""lucid-swatch openapi."""

from .output import print_json


def openapi() -> None:
    """Print the description from which the browser's client is generated."""
    from lucid_swatch.assemble import openapi_document

    print_json(openapi_document())
