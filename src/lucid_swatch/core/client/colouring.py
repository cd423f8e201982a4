"""What skin, hair and eyes say: undertone, depth, clarity and contrast level, each continuous."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.spaces import chroma, hue_angle
from ..garment.vocabulary import Undertone

SIDE = {Undertone.WARM: 0.8, Undertone.BALANCED: 0.0, Undertone.COOL: -0.8}


@dataclass(frozen=True, slots=True)
class Settled:
    """What several portraits and a trial have settled, where there were any."""

    undertone: float
    """-1 cool .. 1 warm."""
    trust: float
    """0 unknown .. 1 settled."""
    clarity: float
    """0 soft .. 1 clear; nan when unknown."""


@dataclass(frozen=True, slots=True, eq=False)
class Client:
    """A client's colouring as measured or set; any part may be unknown."""

    skin: FloatArray | None = None
    """(3,), CIELAB."""
    hair: FloatArray | None = None
    eyes: FloatArray | None = None
    undertone: Undertone | None = None
    """The stylist's verdict, which wins over the measured one."""
    settled: Settled | None = None
    """What is known beyond one reading of skin, hair and eyes."""


@dataclass(frozen=True, slots=True)
class Colouring:
    """The reading that looks are judged against."""

    undertone: float
    """-1 cool .. 1 warm."""
    undertone_trust: float
    """0 unknown .. 1 settled."""
    contrast: float
    """Largest lightness difference among skin, hair and eyes, L*; nan with fewer than two of them."""
    clarity: float
    """0 soft .. 1 clear; nan when unknown."""
    depth: float
    """L* of the skin; nan when unknown."""


def read_colouring(client: Client) -> Colouring | None:
    """The colouring of a client, or None when nothing is known."""
    known = [lab for lab in (client.skin, client.hair, client.eyes) if lab is not None]
    settled = client.settled
    if not known and client.undertone is None and settled is None:
        return None
    lightness = np.array([lab[0] for lab in known])
    contrast = float(np.ptp(lightness)) if len(known) > 1 else float("nan")
    clarity = float("nan")
    if client.eyes is not None and client.skin is not None:
        spread = 0.0 if np.isnan(contrast) else contrast
        clarity = float(np.clip(0.15 + chroma(client.eyes) / 45 + spread / 110, 0, 1))
    depth = float(client.skin[0]) if client.skin is not None else float("nan")
    if settled is not None and not np.isnan(settled.clarity):
        clarity = settled.clarity
    if client.undertone is not None:
        return Colouring(SIDE[client.undertone], 1.0, contrast, clarity, depth)
    if settled is not None:
        return Colouring(settled.undertone, settled.trust, contrast, clarity, depth)
    if client.skin is None:
        return Colouring(0.0, 0.0, contrast, clarity, depth)
    return Colouring(skin_undertone(client.skin), 0.6, contrast, clarity, depth)


def skin_undertone(skin: FloatArray) -> float:
    """-1 cool .. 1 warm, from the hue angle against skins of the same lightness. skin: (3,).

    The middle hue falls a little from fair to deep skin; five degrees off it are plainly one side."""
    middle = float(np.interp(skin[0], [25, 45, 65, 85], [51.0, 55.0, 58.0, 60.0]))
    return float(np.tanh((float(hue_angle(skin)) - middle) / 6.0))


def typology_angle(skin: FloatArray) -> float:
    """Individual typology angle in degrees, high for fair skin. skin: (3,). Source: Chardin et al. 1991."""
    return float(np.degrees(np.arctan2(skin[0] - 50.0, skin[2])))
