"""The few things that differ between installations; each can be set by LUCID_SWATCH_ and its name."""

from pathlib import Path

from platformdirs import user_data_path
from pydantic import Field
from pydantic_settings import BaseSettings, SettingsConfigDict


class Settings(BaseSettings):
    """Where things lie and how the application listens. The address is always the machine itself."""

    model_config = SettingsConfigDict(env_prefix="LUCID_SWATCH_", use_attribute_docstrings=True)

    data: Path = Field(default_factory=lambda: user_data_path("lucid-swatch"))
    """Folder of the database and the photos."""
    demo_data: Path = Field(default_factory=lambda: user_data_path("lucid-swatch-demo"))
    """Folder of the sample wardrobe; never the one above."""
    port: int = Field(default=8317, ge=0, le=65535)
    """The usual port; the next free one is taken when it is in use. 0 takes any."""
    reader_port: int = Field(default=8329, ge=1, le=65535)
    """The port of this machine on which the colour reader answers."""
    workers: int = Field(default=2, ge=1, le=8)
    """Processes that read photos."""
