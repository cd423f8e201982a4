"""Damaged photos of every kind end in a sentence or in a picture, never in a trace."""

import random

from benchmarks.fuzz import mutated, originals

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.strip import strip_metadata


def test_damage_is_refused_or_shown():
    rng, kinds = random.Random(11), originals()
    problems = [problem_of(mutated(rng, kinds)) for _ in range(300)]
    refused = [problem for problem in problems if problem is not None]
    assert 40 < len(refused) < 260
    assert {problem.where for problem in refused} == {"photo"}
    assert all(problem.do for problem in refused)


def problem_of(content):
    """Why a photo is refused; None when it can be shown."""
    try:
        kept, _ = strip_metadata(content, "photo")
        decode_photo(kept, "photo")
    except Refused as problem:
        return problem
    return None
