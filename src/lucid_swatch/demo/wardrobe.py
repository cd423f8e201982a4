"""The sample clients with everything that hangs on their rails, and what they may buy."""

from .botanist import BOTANIST
from .cellist import CELLIST
from .pilot import PILOT

CLIENTS = (CELLIST, PILOT, BOTANIST)
SAMPLES = (
    *(sample for client in CLIENTS for sample in client.samples),
    *(candidate.sample for client in CLIENTS for candidate in client.candidates),
)
