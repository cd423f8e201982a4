"""Colours, pieces and looks for properties."""

import numpy as np
from hypothesis import strategies as st

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.seen import Seen
from lucid_swatch.core.garment.vocabulary import (
    Category,
    Closure,
    Finish,
    Heel,
    Length,
    Metal,
    Neckline,
    PatternType,
    Scale,
    Size,
    Sleeve,
    Sole,
    Toe,
    Undertone,
    Volume,
)
from lucid_swatch.core.look.look import Conventions, Intent, Look


@st.composite
def lab_colours(draw):
    lightness = draw(st.floats(2, 98))
    reach = 60 * (1 - abs(lightness - 55) / 60)
    strength, hue = draw(st.floats(0, max(reach, 1))), draw(st.floats(0, 2 * np.pi))
    return np.array([lightness, strength * np.cos(hue), strength * np.sin(hue)])


@st.composite
def pieces(draw, id="piece"):
    count = draw(st.integers(1, 4))
    share = np.sort(np.array([draw(st.floats(0.1, 1)) for _ in range(count)]))[::-1]
    return Piece(
        id=id,
        category=draw(st.sampled_from(Category)),
        lab=np.array([draw(lab_colours()) for _ in range(count)]),
        share=share / share.sum(),
        pattern=draw(st.sampled_from(PatternType)) if count > 1 else PatternType.SOLID,
        scale=draw(st.sampled_from([None, *Scale])),
        finish=frozenset(draw(st.lists(st.sampled_from(Finish), max_size=2))),
        metal=draw(st.sampled_from(Metal)),
        volume=draw(st.none() | st.sampled_from(Volume)),
        length=draw(st.none() | st.sampled_from(Length)),
        details=draw(details()),
        statement=draw(st.none() | st.floats(0, 1)),
        seen=draw(seen()),
    )


def details():
    """What may be said of a cut."""
    kinds = (Sleeve, Neckline, Closure, Heel, Toe, Sole, Size)
    return st.builds(Details, *(st.none() | st.sampled_from(kind) for kind in kinds))


def seen():
    """What a photo may tell: two words a kind at most."""

    def chances(kind):
        return st.sampled_from(kind).map(lambda word: ((word, 0.75),)) | st.just(())

    return st.builds(Seen, *(chances(kind) for kind in (Length, Volume, Sleeve, Neckline, Toe, Heel, Finish)))


@st.composite
def looks(draw, id="look"):
    count = draw(st.integers(1, 7))
    known = draw(st.booleans())
    client = Client(*(draw(lab_colours()) for _ in range(3)), undertone=draw(st.none() | st.sampled_from(Undertone)))
    schools = {
        name: draw(st.booleans())
        for name in Conventions.__dataclass_fields__
        if name not in ("strict_neutrals", "leanings", "tastes")
    }
    return Look(
        id,
        tuple(draw(pieces(f"{id}-{k}")) for k in range(count)),
        client if known else None,
        Conventions(**schools),
        draw(st.sampled_from([None, *Intent])),
    )
