"""Rules about certain pieces: metals, leather, denim, white, black, shoes and bag."""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ...garment.vocabulary import Category
from ..body import Zone
from ..scorer.asked import by_name, marked, seen
from ..scorer.batch import LookBatch, count
from ..scorer.points import Points, leading
from ..scorer.soft import falling, rising
from ..scorer.table import METALS, Feature, PieceTable
from .kinship import one_family
from .temperature import is_leather


def shows_metal(table: PieceTable) -> Feature:
    """Whether metal is seen on a piece."""
    return table.metal > 0


def _metal_kinds(table: PieceTable) -> Feature:
    """A bit for each metal that a piece may match; mixed metals match none."""
    single = (table.metal > 0) & (table.metal < len(METALS) - 1)
    return (single << table.metal.astype(np.uint8)).astype(np.uint8)


def one_metal(batch: LookBatch) -> Points:
    """One metal repeated, or several, by the school in force."""
    shown = batch.of(shows_metal)
    kinds = np.bitwise_count(np.bitwise_or.reduce(batch.of(_metal_kinds), axis=0))
    w = batch.weights.points
    several = kinds > 1
    match = (count(shown) > 1) * np.float32(w["one-metal"])
    match[several] = -w["metals-mixed"]
    mix = several * np.float32(w["metals-mixed-on-purpose"])
    return Points(
        "one-metal",
        np.where(batch.schools["mix_metals"], mix, match),
        lambda i: shown[:, i],
        lambda i: f"{batch.called(i, shown[:, i])}: {'one metal repeated' if kinds[i] == 1 else f'{kinds[i]} metals'}",
    )


@marked
def _heavy(table: PieceTable) -> Feature:
    """Shoes, bags and belts that weigh against the clothes."""
    return is_leather(table) & (table.area > 1)


CLOTHES = seen(by_name("clothes"))


@seen
def _lightness_of_clothes(table: PieceTable) -> Feature:
    return table.clothes * table.mean_lightness


@seen
def _blue_clothes(table: PieceTable) -> Feature:
    return table.clothes * table.blue


def pale_accessories(batch: LookBatch) -> Points:
    """Shoes and bag light enough for a pale look, or far darker."""
    w, lightness, heavy = batch.weights.points, batch.of("mean_lightness"), batch.of(_heavy)
    total = batch.seen(CLOTHES)
    pale = batch.seen(_lightness_of_clothes) / np.maximum(total, 1e-9)
    gap = (pale - lightness - 28).clip(0, 45) * heavy
    deepest = gap.max(axis=0)
    light = ((pale - 66) / 14).clip(0, 1) * (total > 0)
    dark = rising(gap, 6, 18)
    darkest = dark.max(axis=0)
    # dark ones that are several keep company
    others = (dark.sum(axis=0) - darkest).clip(0, 1)
    values = -w["dark-accessories"] * light * deepest / 45 * (1 - 0.6 * others)
    values = values + w["pale-accessories"] * light * (1 - darkest) * batch.some(_heavy)
    return Points(
        "pale-accessories",
        values,
        lambda i: leading(gap[:, i]) if values[i] < 0 else heavy[:, i],
        lambda i: (
            f"{batch.called(i, leading(gap[:, i]))}: {deepest[i] + 28:.0f} L* below a pale look of L* {pale[i]:.0f}"
            if values[i] < 0
            else f"{batch.called(i, heavy[:, i])}: light enough for a pale look of L* {pale[i]:.0f}"
        ),
    )


def animal_prints(batch: LookBatch) -> Points:
    """Animal prints that nearly match."""
    if not batch.table.animal.any():
        return batch.silent("animal-prints")
    animal = batch.of("animal")
    several = count(animal)
    return Points(
        "animal-prints",
        -batch.weights.points["animal-prints"] * (several > 1),
        lambda i: animal[:, i],
        lambda i: f"{batch.called(i, animal[:, i])}: {several[i]} animal prints that nearly match",
    )


A_WHITE = 0.5
"""How far a white is at home in any look."""


def warms(table: PieceTable) -> Feature:
    """How far a piece brings warmth into blue, 0..1: brown leather, straw and tan in shoes, bag, belt or hat, and a greyed
    green or camel layer."""
    sandy = rising(table.warm, 0.04, 0.45) * rising(table.chroma, 8, 18)
    greyed_green = (
        ((table.leading_hue > 100) & (table.leading_hue < 155)) * table.plain * falling(table.chroma, 20, 30)
    ) * rising(table.chroma, 6, 10)
    small = is_leather(table) | table.worn(Zone.HEAD)
    over = table.worn(Zone.LAYER, Zone.NECK)
    return np.maximum(
        small * np.maximum(sandy, rising(table.brown, 0.1, 0.75)), over * 0.7 * np.maximum(sandy, greyed_green)
    )


@seen
def _white_clothes(table: PieceTable) -> Feature:
    return table.clothes * table.white


def _black_leather(table: PieceTable) -> Feature:
    return is_leather(table) * rising(table.black, 0.25, 0.75)


@seen
def _bright_blue_clothes(table: PieceTable) -> Feature:
    return table.clothes * table.blue * rising(table.chroma, 36, 52)


def _blue_share(batch: LookBatch) -> RealArray:
    """How much of the clothes is blue, 0..1; white among them leaves the look as cold as it was. (n,)."""
    blue = batch.seen(_blue_clothes)
    share: RealArray = (blue / np.maximum(batch.seen(CLOTHES) - batch.seen(_white_clothes), 1e-9)).clip(0, 1)
    return share * rising(blue, 0.1, 0.3)


def how_blue(batch: LookBatch) -> RealArray:
    """How far a look is one of blue, 0..1. (n,)."""
    return rising(_blue_share(batch), 0.42, 0.88)


def brown_with_blue(batch: LookBatch) -> Points:
    """Brown leather, straw or a greyed green in a look of blue, or black leather."""
    w = batch.weights.points
    blue, mostly = _blue_share(batch), how_blue(batch)
    browns, blacks = batch.of(warms), batch.of(_black_leather)
    warmed = browns.max(axis=0)
    # anything bright goes with black: it is dark and greyed blue that it leaves cold
    muted = 1 - batch.seen(_bright_blue_clothes) / np.maximum(batch.seen(_blue_clothes), 1e-9)
    cold = w["black-with-blue"] * blacks.max(axis=0) * (1 - warmed) * muted
    values = mostly * (w["brown-with-blue"] * warmed - cold)

    def brown(i: int) -> BoolArray:
        places: BoolArray = leading(browns[:, i])
        return places

    def black(i: int) -> BoolArray:
        places: BoolArray = leading(blacks[:, i])
        return places

    return Points(
        "brown-with-blue",
        values,
        lambda i: brown(i) | black(i),
        lambda i: (
            f"{batch.called(i, brown(i))}: warms a look that is {100 * blue[i]:.0f} % blue"
            if values[i] > 0
            else f"{batch.called(i, black(i))}: black stays cold in a look that is {100 * blue[i]:.0f} % blue"
        ),
    )


def _blue_denim(table: PieceTable) -> Feature:
    return table.denim & (table.blue > 0.4)


def _black_dress_shoe(table: PieceTable) -> Feature:
    return table.is_a(Category.SHOES) & (table.black > 0.5) & ~(table.formality < 2.5)


def black_with_denim(batch: LookBatch) -> Points:
    """Black dress shoes with blue denim, by the school that keeps them apart."""
    school = batch.schools["avoid_black_with_denim"]
    if not school.any():
        return batch.silent("black-with-denim")
    denim, black = batch.of(_blue_denim), batch.of(_black_dress_shoe)
    both = denim.any(axis=0) & black.any(axis=0) & school
    return Points(
        "black-with-denim",
        -batch.weights.points["black-with-denim"] * both,
        lambda i: denim[:, i] | black[:, i],
        lambda i: f"{batch.called(i, black[:, i])} with blue denim, which this school keeps apart",
    )


def _white_cloth(table: PieceTable) -> Feature:
    return (table.lightness > 86) & (table.chroma < 16) & table.plain & (table.area >= 5)


def _whites_apart(table: PieceTable) -> Feature:
    """CIEDE2000 between two whites, 0 for other pieces. Of pairs."""
    return table.main_difference * np.outer(_white_cloth(table), _white_cloth(table))


def whites(batch: LookBatch) -> Points:
    """Different whites, by the school of one."""
    school = batch.schools["one_white"]
    if not school.any():
        return batch.silent("whites-together")
    white = batch.of(_white_cloth)
    apart = batch.most(batch.between(_whites_apart))
    values = -batch.weights.points["whites-apart"] * ((apart - 2) / 6).clip(0, 1) * school
    return Points(
        "whites-together",
        values,
        lambda i: white[:, i],
        lambda i: f"{batch.called(i, white[:, i])}: whites ΔE {apart[i]:.0f} apart, by the school of one white",
    )


@marked
def _is_bag(table: PieceTable) -> Feature:
    return table.is_a(Category.BAG)


@marked
def _is_shoe(table: PieceTable) -> Feature:
    return table.worn(Zone.FEET)


def _shoe_with_bag(table: PieceTable) -> Feature:
    return np.outer(_is_shoe(table), _is_bag(table)) | np.outer(_is_bag(table), _is_shoe(table))


def _related(table: PieceTable) -> Feature:
    """How well the colour of shoes and bag returns in each other, or how far they are of one family, which is enough; 0
    for other pieces. Of pairs, 0..1."""
    return one_family(table) * _shoe_with_bag(table)


def _with_the_rest(table: PieceTable) -> Feature:
    """How well the colour of shoes or bag returns in anything but the other of the two. Of pairs, 0..1."""
    small = _is_shoe(table) | _is_bag(table)
    rest = ~small
    return one_family(table) * (np.outer(small, rest) | np.outer(rest, small))


def _asks_for_no_fellow(table: PieceTable) -> Feature:
    """How far a shoe or bag is a strong colour of its own or shines as metal, 0..1."""
    return np.maximum(rising(table.strong, 26, 40), table.metallic) * (_is_shoe(table) | _is_bag(table))


def _at_home(batch: LookBatch) -> RealArray:
    """How far shoes and bag both belong to the look without each other, 0..1. (n,)."""
    belongs = batch.best_with_any(batch.between(_with_the_rest))
    belongs = np.maximum(belongs, A_WHITE * batch.of("white"))
    shoe, bag = batch.of(_is_shoe), batch.of(_is_bag)
    both = np.minimum((belongs * shoe).max(axis=0), (belongs * bag).max(axis=0))
    home: RealArray = 0.9 * np.maximum(both, batch.of(_asks_for_no_fellow).max(axis=0))
    return home


def _unlike(table: PieceTable) -> Feature:
    """CIEDE2000 between shoes and bag, 99 for other pieces. Of pairs."""
    return np.where(_shoe_with_bag(table), table.main_difference, 99.0)


LOOSELY = 0.5
"""How far shoes and bag are related from which nobody would say that nothing joins them."""


def shoes_and_bag(batch: LookBatch) -> Points:
    """Shoes and bag of one family, or by the school of matched pairs."""
    both = batch.some(_is_shoe) & batch.some(_is_bag)
    if not both.any():
        return batch.silent("shoes-and-bag")
    w, school = batch.weights.points, batch.schools["pair_shoes_and_bag"]
    related = np.maximum(batch.most(batch.between(_related)), _at_home(batch))
    values = both * (w["shoes-and-bag"] * related - w["shoes-and-bag-strange"] * (1 - related))
    paired = np.flatnonzero(school & both)
    apart = batch.between(_unlike, paired).min(axis=0, initial=99)
    values[paired] = np.where(
        apart < 5, w["shoes-and-bag-paired"], -w["shoes-and-bag-unpaired"] * ((apart - 5) / 10).clip(0, 1)
    )

    def places(i: int) -> BoolArray:
        shown: BoolArray = batch.of(_is_shoe)[:, i] | batch.of(_is_bag)[:, i]
        return shown

    def joined(i: int) -> str:
        if values[i] > 0:
            return "related"
        return "only loosely joined" if related[i] > LOOSELY else "nothing joins them"

    return Points(
        "shoes-and-bag",
        values,
        places,
        lambda i: (
            f"{batch.called(i, places(i))}: ΔE {batch.between(_unlike, np.array([i])).min():.0f} apart, "
            f"{'by the school of matched pairs' if school[i] else joined(i)}"
        ),
    )


def black_in_summer(batch: LookBatch) -> Points:
    """Black on a hot day, by the school that avoids it."""
    school = batch.schools["avoid_black_in_summer"]
    if not school.any():
        return batch.silent("black-in-summer")
    black = batch.of("black")
    warmth = batch.of("weather")
    known = ~np.isnan(warmth)
    hot = (np.where(known, warmth, 0).sum(axis=0) <= 1.0 * count(known)) & known.any(axis=0)
    amount = (batch.area * black).sum(axis=0)
    values = -batch.weights.points["black-in-summer"] * (amount / 0.4).clip(0, 1) * (hot & school)
    return Points(
        "black-in-summer",
        values,
        lambda i: leading((batch.area * black)[:, i]),
        lambda i: f"{batch.called(i, leading((batch.area * black)[:, i]))}: {100 * amount[i]:.0f} % black on a hot day",
    )
