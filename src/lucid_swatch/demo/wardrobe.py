"""The sample clients with everything that hangs on their rails."""

from .botanist import BOTANIST
from .cellist import CELLIST
from .pilot import PILOT

CLIENTS = (CELLIST, PILOT, BOTANIST)
SAMPLES = tuple(sample for client in CLIENTS for sample in client.samples)
