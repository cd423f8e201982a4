"""What the rules are worth, and how verdicts move it."""

import re
from dataclasses import replace

import numpy as np
import pytest
from benchmarks.fit import FILE, by_hand, written
from benchmarks.own_pairs import own_pairs
from benchmarks.preferences import fit as fit_all
from benchmarks.preferences import preferences

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.fitting import Preference, agreement, fit, leads
from lucid_swatch.core.look.look import Conventions, Look
from lucid_swatch.core.look.scorer.weights import read_weights, sentence_of, standard_weights, weights_text
from lucid_swatch.core.look.verdict import judge


def look(id, *labs, conventions=Conventions()):  # noqa: B008
    categories = (Category.KNIT, Category.TROUSERS, Category.SHOES, Category.BAG)
    pieces = tuple(
        Piece(f"{id}-{k}", category, np.array([lab], float), np.ones(1))
        for k, (category, lab) in enumerate(zip(categories, labs, strict=False))
    )
    return Look(id, pieces, conventions=conventions)


QUIET = look("quiet", [60, 0, -4], [30, 0, -3], [14, 0, 0], [14, 0, 0])
POP = look("pop", [60, 0, -4], [30, 0, -3], [14, 0, 0], [46, 62, 44])


def test_every_rule_is_worth_something_and_says_what_it_is_about():
    weights = standard_weights()
    assert all(value > 0 for value in weights.points.values())
    assert all(len(sentence_of(name)) > 10 for name in weights.points)
    assert all(sum(parts) == pytest.approx(1) for parts in weights.parts.values())


def test_every_rule_in_the_file_is_used_and_every_used_one_is_there():
    code = "".join(path.read_text(encoding="utf-8") for path in FILE.parents[1].rglob("*.py"))
    used = set(re.findall(r'(?:\bw|points)\["([a-z-]+)"\]', code))
    assert used == set(standard_weights().points)


def test_a_verdict_names_the_version_that_made_it():
    assert judge([QUIET])[0].weights == standard_weights().version
    own = judge([replace(QUIET, conventions=Conventions(tastes=(("echo", 1.2),)))])[0]
    assert own.weights == f"{standard_weights().version} and this studio's own"


def test_a_taste_moves_its_rule_and_no_other():
    plain, moved = (
        {r.code: r.points for m in judge([replace(QUIET, conventions=c)])[0].measures.values() if m for r in m.because}
        for c in (Conventions(), Conventions(tastes=(("echo", 1.2),)))
    )
    assert moved["echo"] > plain["echo"]
    assert {code: points for code, points in moved.items() if code != "echo"} == {
        c: p for c, p in plain.items() if c != "echo"
    }


def test_looks_of_two_tastes_are_judged_in_one_call():
    own = replace(QUIET, conventions=Conventions(tastes=(("echo", 1.2),)))
    together = [verdict.overall for verdict in judge([QUIET, own, QUIET])]
    assert together == [judge([one])[0].overall for one in (QUIET, own, QUIET)]


def test_a_lead_is_what_the_scorer_says():
    lead = leads([Preference(POP, QUIET, "harmony")], standard_weights())
    first, second = judge([POP, QUIET])
    shown = first.measures["harmony"].score - second.measures["harmony"].score
    assert lead.now[0] * standard_weights().scale["harmony"].times == pytest.approx(shown, abs=0.3)
    doubled = replace(
        standard_weights(), points=dict(standard_weights().points) | {"pop": 2 * standard_weights().points["pop"]}
    )
    logs = np.array([np.log(2.0) if name == "pop" else 0.0 for name in lead.names])
    assert lead.at(logs)[0] == pytest.approx(leads([Preference(POP, QUIET, "harmony")], doubled).now[0])


def test_the_fit_follows_verdicts_holds_what_they_do_not_touch_and_turns_no_sign():
    lead = leads([Preference(QUIET, POP), Preference(QUIET, POP, "harmony")] * 6, standard_weights())
    loose, held = fit(lead, 1.0, 1.5), fit(lead, 200.0, 1.5)
    assert loose["pop"] < 1
    assert all(1 / 1.5 - 1e-9 <= factor <= 1.5 + 1e-9 for factor in loose.values())
    assert "animal-prints" not in loose
    assert abs(np.log(held.get("pop", 1.0))) < abs(np.log(loose["pop"]))
    assert agreement(lead, loose).sum() >= agreement(lead, {}).sum()


def test_the_file_is_what_the_preferences_of_the_project_give():
    found, said = preferences(by_hand())
    assert len({one.group for one in said}) >= 60
    again = read_weights(written(weights_text(), found.names, fit_all(found, said)))
    for name, value in standard_weights().points.items():
        assert again.points[name] == pytest.approx(value, rel=0.05), name
    for intent, parts in standard_weights().parts.items():
        assert again.parts[intent] == pytest.approx(parts, abs=0.01)


def test_the_projects_own_pairs_agree():
    pairs = own_pairs()
    verdicts = judge([look for pair in pairs for look in (pair.better, pair.worse)])

    def score(verdict, measure):
        return verdict.overall if measure == "overall" else verdict.measures[measure].score

    right = [
        score(verdicts[2 * k], p.measure) >= score(verdicts[2 * k + 1], p.measure) + 1 for k, p in enumerate(pairs)
    ]
    assert np.mean(right) >= 0.94
