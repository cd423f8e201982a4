"""Fits the points of the rules to the project's own pairs and says how often held-out pairs agree.

Usage: python -m benchmarks.fit [--write]
With --write the fitted values go into core/look/scorer/weights.toml; its version is then to be set by hand."""

import argparse
import re
from collections import defaultdict
from dataclasses import replace
from pathlib import Path

import numpy as np

from lucid_swatch.core.look.fitting import HOLD, MOST, Preference, agreement, fit, leads
from lucid_swatch.core.look.scorer import weights
from lucid_swatch.core.look.scorer.weights import standard_weights

from .own_pairs import own_pairs

FOLDS = 8
FILE = Path(weights.__file__).with_name("weights.toml")


def prior_leads():
    """The leads of the project's own pairs with the points that were given by hand, and the principle of each."""
    pairs = own_pairs()
    weights = standard_weights()
    by_hand = replace(weights, points=weights.priors)
    return leads([Preference(p.better, p.worse, p.measure) for p in pairs], by_hand), [p.principle for p in pairs]


def held_out(lead, principles):
    """Whether each pair agrees when it, and when its whole principle, was kept out of the fit."""
    count = len(principles)
    fold = np.random.default_rng(4).permutation(count) % FOLDS
    pair, principle = np.zeros(count, bool), np.zeros(count, bool)
    for k in range(FOLDS):
        pair[fold == k] = agreement(lead, fit(lead.some(fold != k), HOLD, MOST))[fold == k]
    names = np.array(principles)
    for name in set(principles):
        principle[names == name] = agreement(lead, fit(lead.some(names != name), HOLD, MOST))[names == name]
    return pair, principle


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    lead, principles = prior_leads()
    factors = fit(lead, HOLD, MOST)
    pair, principle = held_out(lead, principles)
    print(f"{len(principles)} pairs over {len(set(principles))} principles")
    print(f"by hand {agreement(lead, {}).mean():.1%}, fitted {agreement(lead, factors).mean():.1%}")
    print(f"pairs held out {pair.mean():.1%}, whole principles held out {principle.mean():.1%}")
    rows = defaultdict(list)
    for name, one, whole in zip(principles, pair, principle, strict=True):
        rows[name].append((one, whole))
    for name, found in rows.items():
        ones, wholes = zip(*found, strict=True)
        if not (all(ones) and all(wholes)):
            print(f"  {name}: {sum(ones)} and {sum(wholes)} of {len(found)}")
    for name, factor in sorted(factors.items(), key=lambda one: -abs(np.log(one[1]))):
        print(f"  {name}: times {factor:.2f}")
    if asked.write:
        FILE.write_text(written(FILE.read_text(encoding="utf-8"), factors), encoding="utf-8")


def written(text, factors):
    """The file with fitted values: each is its prior times its factor."""

    def line(found):
        name, prior, rest = found.groups()
        return f"{name} = {{ value = {round(float(prior) * factors.get(name, 1.0), 2)}, prior = {prior}{rest}"

    return re.sub(r"^([a-z-]+) = \{ value = [\d.]+, prior = ([\d.]+)(.*)$", line, text, flags=re.MULTILINE)


if __name__ == "__main__":
    main()
