"""Making looks: how near the set is to the best there is, how varied, how fast.

On small rails everything is tried: base looks times accessories. The best set under the same rule of variety is what the same
choice makes of all of them. On larger rails the set stands against the best of 3,000 whole looks drawn at random."""

import json
import resource
import subprocess
import sys
import tempfile
import time
from collections import Counter
from dataclasses import replace
from itertools import product
from pathlib import Path

import numpy as np

from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.dressing.base_looks import BASE
from lucid_swatch.core.look.dressing.dress import can_be_worn, is_split, zone_of
from lucid_swatch.core.look.dressing.wardrobe import NOTHING
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe as Rail
from lucid_swatch.core.look.making.added import A_BAG, WORTH
from lucid_swatch.core.look.making.bases import base_rows
from lucid_swatch.core.look.making.day import CLOTHES
from lucid_swatch.core.look.making.judging import Judging
from lucid_swatch.core.look.making.make import Pool, choose, make_looks
from lucid_swatch.core.look.making.material import Kit, Material
from lucid_swatch.core.look.making.turning import Turn, turn
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.formats.piece import PieceDocument

from .chosen import own_wardrobes
from .own_pairs import CLIENTS

SMALL, A_SET, DRAWN = 15, 9, 3000
SIZES = (25, 60, 120, 500)


def making():
    """Every figure, by name."""
    return {
        "against everything": against_everything(),
        "against random": against_random(),
        "use": use(),
        "whole": whole(),
        "seconds": seconds(),
    }


def against_everything():
    """The mean whole of a set as a share of that of the best set, on rails small enough to try everything."""
    shares, loose = [], []
    for k, own in enumerate(own_wardrobes()):
        for draw in range(3):
            rail = _rail(_few(own.pieces, np.random.default_rng(100 * k + draw)), own.client)
            wanted = Wanted(A_SET)
            made = make_looks(rail, wanted)
            if len(made.looks) < A_SET:
                continue
            judging = Judging(Material(rail, wanted))
            rows, wholes = _everything(judging)
            values = judging.values(rows, wholes) - _worth(judging, rows)
            pool = Pool(rows, wholes, values, np.zeros(len(rows), np.intp), len(rows))
            best = choose(judging, pool)
            mean = np.mean([look.whole for look in made.looks])
            shares.append(float(mean / np.mean([look.whole for look in best.looks])))
            loose.append(float(mean / _best_of_each_clothes(judging, rows, wholes)))
    return {
        "rails": len(shares),
        "of the best set by the same rule": _told(shares),
        "of the best looks whose clothes differ": _told(loose),
    }


def _few(pieces, draw):
    """A small rail that can be dressed: some of each place."""
    by_zone = {}
    for piece in pieces.values():
        by_zone.setdefault(zone_of(piece.category).value, []).append(piece)
    take = {"upper": 4, "lower": 3, "whole": 1, "feet": 2, "layer": 1, "hand": 2, "neck": 1, "waist": 1, "head": 1}
    return [some[k] for zone, some in sorted(by_zone.items()) for k in draw.permutation(len(some))[: take.get(zone, 0)]]


def _everything(judging):
    """Every base look with every set of accessories that goes with it."""
    base, _ = base_rows(judging, Kit((), ()))
    extras = [k for k in judging.material.usable if zone_of(judging.material.known[k].category) not in BASE]
    sets = [
        tuple(k if on else NOTHING for k, on in zip(extras, which, strict=True))
        for which in product((False, True), repeat=len(extras))
    ]
    rows = np.concatenate([np.column_stack([base, np.tile(np.array(one, np.intp), (len(base), 1))]) for one in sets])
    rows = rows[judging.goes(rows)]
    return rows, judging.wholes(rows)


def _worth(judging, rows):
    """What accessories have to be worth, as where looks are made: a bag is carried for what is in it."""
    known = judging.material.known
    each = [0.0 if zone_of(p.category) in BASE else -A_BAG if p.category is Category.BAG else WORTH for p in known]
    return np.array([*each, 0.0])[rows].sum(axis=1)


def _best_of_each_clothes(judging, rows, wholes):
    """The mean of the best looks of which no two share all clothes."""
    clothes = np.array([zone_of(p.category) in CLOTHES for p in judging.material.known] + [False])
    best = Counter()
    for row, whole in zip(rows, wholes, strict=True):
        key = tuple(sorted(int(k) for k in row if clothes[k]))
        best[key] = max(best[key], float(whole))
    return float(np.mean(sorted(best.values(), reverse=True)[:A_SET]))


def _told(values):
    return {"least": round(min(values), 4), "mean": round(float(np.mean(values)), 4)}


def _rail(pieces, client):
    return Rail(tuple(pieces), client)


def rails(count):
    """A rail of so many pieces, mixed from the own wardrobes and moved a little in colour."""
    draw = np.random.default_rng(count)
    every = [replace(p, id=f"{own.name} {p.id}") for own in own_wardrobes() for p in own.pieces.values()]
    moved = [
        replace(p, id=f"{p.id} again", lab=np.clip(p.lab + draw.normal(0, 4, p.lab.shape), [2, -80, -80], [98, 80, 80]))
        for p in every
    ]
    both = every + moved
    return [both[k] for k in draw.permutation(len(both))[:count]]


def against_random():
    """A set of 24 against the best 24 of whole looks drawn at random: their means, and how varied both are."""
    found = {}
    for count in (60, 120):
        rail = _rail(rails(count), CLIENTS["middle"])
        made = make_looks(rail, Wanted(24))
        rows, wholes = _drawn(rail, np.random.default_rng(1))
        best = np.argsort(-wholes)[:24]
        clothes = [_clothes(rail, look.piece_ids) for look in made.looks]
        drawn = [_clothes(rail, [rail.everything[k].id for k in rows[b] if k != NOTHING]) for b in best]
        found[str(count)] = {
            "mean against theirs": round(float(np.mean([x.whole for x in made.looks]) / wholes[best].mean()), 3),
            "jaccard distance": round(_apart(clothes), 3),
            "theirs": round(_apart(drawn), 3),
        }
    return found


def _drawn(rail, draw):
    """Whole looks drawn at random: a base look and any accessories that go with it."""
    judging = Judging(Material(rail, Wanted(24)))
    base, _ = base_rows(judging, Kit((), ()))
    extras = np.array([k for k in judging.material.usable if zone_of(judging.material.known[k].category) not in BASE])
    rows = np.column_stack([base[draw.integers(0, len(base), 4 * DRAWN)], draw.choice(extras, (4 * DRAWN, 3))])
    rows = rows[judging.goes(rows)][:DRAWN]
    return rows, judging.wholes(rows)


def _clothes(rail, ids):
    return frozenset(id for id in ids if zone_of(rail.by_id[id].category) in CLOTHES)


def _apart(sets):
    """The mean Jaccard distance of every two."""
    return float(np.mean([1 - len(a & b) / len(a | b) for k, a in enumerate(sets) for b in sets[:k]]))


def use():
    """How often the least used garment of twelve is in 24 looks, and how far an even share is off."""
    least, uneven = [], []
    for k, own in enumerate(own_wardrobes()):
        rail = _rail(_twelve(own.pieces, np.random.default_rng(k)), own.client)
        made = make_looks(rail, Wanted(24))
        if len(made.looks) == 24:
            uses = Counter(id for look in made.looks for id in _clothes(rail, look.piece_ids))
            least.append(min(uses[p.id] for p in rail.pieces if zone_of(p.category) in CLOTHES))
        lower = [p.id for p in own.pieces.values() if zone_of(p.category).value == "lower"][:3]
        evenly = make_looks(_rail(own.pieces.values(), own.client), Wanted(9, tuple(lower), Share.EVEN))
        held = [sum(id in look.piece_ids for look in evenly.looks) for id in lower]
        if len(evenly.looks) == 9:
            uneven.append(max(held) - min(held))
    return {"sets of 24 from 12": len(least), "least used": least, "even sets of 9": len(uneven), "off even": uneven}


def _twelve(pieces, draw):
    """Twelve garments that can be worn together in many ways, with all shoes and accessories."""
    by_zone = {}
    for piece in pieces.values():
        by_zone.setdefault(zone_of(piece.category).value, []).append(piece)
    take = {"upper": 5, "lower": 4, "whole": 1, "layer": 2}
    return [
        some[k] for zone, some in sorted(by_zone.items()) for k in draw.permutation(len(some))[: take.get(zone, 99)]
    ]


def whole():
    """Looks that are not whole, of many made under many questions: there should be none."""
    amiss = looks = 0
    draw = np.random.default_rng(7)
    for own in own_wardrobes():
        ids = list(own.pieces)
        for _ in range(6):
            barred = {id: "does not fit" for id in draw.permutation(ids)[:4]}
            sets = (frozenset(draw.permutation(ids)[:2].tolist()),)
            rail = Rail(tuple(own.pieces.values()), own.client, barred=barred, sets=sets)
            low = float(draw.integers(1, 4))
            wanted = Wanted(
                12, formality=(low, low + 1), warmth=float(draw.integers(0, 5)), wet=bool(draw.integers(0, 2))
            )
            for look in make_looks(rail, wanted).looks:
                looks += 1
                amiss += not is_whole(rail, wanted, look.piece_ids)
    return {"looks": looks, "not whole": amiss}


def is_whole(rail, wanted, ids):
    """Whether a look is dressed, shod, has no place twice, splits no set, holds nothing barred, and suits the day."""
    pieces = [as_known(rail.by_id[id]) for id in ids]
    zones = {zone_of(p.category).value for p in pieces}
    dressed = "whole" in zones or {"upper", "lower"} <= zones
    formal = [p.formality for p in pieces if p.formality is not None and zone_of(p.category).value in DRESSES]
    low, high = wanted.formality or (1, 5)
    as_formal = not formal or low - 0.01 <= np.mean(formal) <= high + 0.01
    as_warm = wanted.warmth is None or all(p.warmth is None or abs(p.warmth - wanted.warmth) <= 1.5 for p in pieces)
    able_sets = [one for one in rail.sets if can_be_worn([rail.by_id[id].category for id in one])]
    return (
        dressed
        and "feet" in zones
        and can_be_worn([p.category for p in pieces])
        and not is_split(ids, able_sets)
        and not set(ids) & rail.barred.keys()
        and as_formal
        and as_warm
    )


DRESSES = ("upper", "lower", "whole", "layer", "feet")


def seconds():
    """How long making takes by the size of the rail, the first look and turning, and from the command line."""
    found = {}
    for count in SIZES:
        pieces = rails(count)
        lower = [p.id for p in pieces if zone_of(p.category).value == "lower"][:3]
        for name, wanted in (("nine from three", Wanted(9, tuple(lower), Share.EVEN)), ("24", Wanted(24))):
            rail, first = _rail(pieces, CLIENTS["middle"]), []
            began = time.perf_counter()

            def tell(share, looks, first=first, began=began):
                if looks and not first:
                    first.append(time.perf_counter() - began)
                return True

            made = make_looks(rail, wanted, tell)
            found[f"{name} of {count}"] = {
                "all": round(time.perf_counter() - began, 2),
                "first": round(first[0], 2) if first else None,
                "looks": len(made.looks),
            }
        look = rail.look("look", made.looks[0].piece_ids)
        took = []
        for to in Turn:
            began = time.perf_counter()
            turn(look, to)
            took.append(time.perf_counter() - began)
        found[f"turn of {count}"] = round(max(took), 2)
    found["megabytes"] = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss // 1024
    found["24 of 25 by command"] = _by_command(rails(25))
    return found


def _by_command(pieces):
    with tempfile.TemporaryDirectory() as folder:
        told = [PieceDocument.from_core(p).model_dump(mode="json") for p in pieces]
        file = Path(folder) / "rail.json"
        file.write_text(json.dumps({"format": "lucid-swatch/rail", "version": 1, "pieces": told}))
        began = time.perf_counter()
        command = [str(Path(sys.executable).parent / "lucid-swatch"), "make", str(file), "--count", "24", "--json"]
        subprocess.run(command, check=True, capture_output=True)
        return round(time.perf_counter() - began, 2)
