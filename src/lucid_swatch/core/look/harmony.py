"""Harmony: do the colours of a look belong together?"""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import hue_distance
from ..garment.vocabulary import Category, Metal, PatternType
from .batch import LookBatch
from .body import Zone
from .points import Measured, Points
from .table import METALS, PATTERNS
from .weights import threshold

STRONG, PRINT_MATCH = threshold("strong-chroma"), threshold("print-match")


def measure_harmony(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    return Measured(
        batch.weights.starts["harmony"],
        (
            _base(batch), *_temperature(batch), _metal_side(batch), _one_metal(batch), _stark(batch),
            _pale_accessories(batch), *_pop(batch), _competing(batch), _held(batch), _clarity(batch),
            _echo(batch), _print_accent(batch), _prints(batch), _animals(batch), _brown_with_blue(batch),
            _black_with_denim(batch), _whites(batch), _shoes_and_bag(batch), _black_in_summer(batch),
        ),
    )  # fmt: skip


def emphasis(batch: LookBatch) -> FloatArray:
    """How much each piece counts beside its area: small things are noticed. (n, m), rows sum to 1."""
    weight = batch.area**0.6
    share: FloatArray = weight / np.maximum(weight.sum(axis=1, keepdims=True), 1e-9)
    return share


def _base(batch: LookBatch) -> Points:
    pair = batch.between(batch.table.pair_harmony)
    weight = batch.area[:, :, None] * batch.area[:, None, :] * (batch.between(np.ones_like(batch.table.nearest)))
    mean = (pair * weight).sum(axis=(1, 2)) / np.maximum(weight.sum(axis=(1, 2)), 1e-9)
    values = np.where(
        weight.sum(axis=(1, 2)) > 0, batch.weights.points["colours-together"] * np.clip(mean - 0.45, -1, 1), 0.0
    )
    return Points(
        "colours-together", values, batch.present,
        lambda i: f"side by side the colours predict a harmony of {mean[i]:.2f}, where 0.45 is usual",
    )  # fmt: skip


def temperature_sides(batch: LookBatch) -> tuple[FloatArray, FloatArray]:
    """Warm and cool neutral cloth of each piece, by emphasis. (n, m) each."""
    weight = emphasis(batch)
    return weight * batch.of(batch.table.warm), weight * batch.of(batch.table.cool)


def _opposed(batch: LookBatch) -> tuple[FloatArray, FloatArray]:
    """Warm and cool neutrals that really oppose each other. (n, m) each. Blue counts little as cool, and brown
    leather little as warm where there is blue: the one crossing that people seek."""
    warm, cool = temperature_sides(batch)
    blue = batch.of(batch.table.blue)
    blue_area = np.clip((batch.area * blue).sum(axis=1, keepdims=True) / 0.3, 0, 1)
    leather = batch.of(batch.table.brown) * batch.zone(Zone.FEET, Zone.HAND, Zone.WAIST)
    return warm * (1 - 0.8 * leather * blue_area), cool * (1 - 0.85 * blue)


def _temperature(batch: LookBatch) -> tuple[Points, Points]:
    warm, cool = temperature_sides(batch)
    total_warm, total_cool = warm.sum(axis=1), cool.sum(axis=1)
    total = total_warm + total_cool
    hard_warm, hard_cool = _opposed(batch)
    crossing = 2 * np.minimum(hard_warm.sum(axis=1), hard_cool.sum(axis=1)) / np.maximum(total, 0.08)
    separator = np.clip(separators(batch) / 0.10, 0, 1)
    crossed = -batch.weights.points["temperature-crosses"] * np.clip(crossing, 0, 1) ** 0.7 * (1 - 0.6 * separator)
    warmer = (total_warm >= total_cool)[:, None]
    sided = (np.maximum(warm, cool) > 0.03) & batch.present
    agreeing = sided & np.where(warmer, warm >= cool, cool > warm)
    several = np.clip(agreeing.sum(axis=1) - 1, 0, 3) / 3
    agreed = batch.weights.points["temperature-agrees"] * several**0.5 * np.clip(1 - 1.6 * crossing, 0, 1)
    strays = sided & ~agreeing

    def agree_text(i: int) -> str:
        return f"{'warm' if warmer[i, 0] else 'cool'} neutrals agree: {batch.called(i, agreeing[i])}"

    def cross_text(i: int) -> str:
        side = "cooler" if warmer[i, 0] else "warmer"
        held = "; a white, a black or a print between them softens it" if separator[i] > 0.5 else ""
        return f"{batch.called(i, strays[i])}: {side} than the other neutrals, {100 * crossing[i] / 2:.0f} % against them{held}"

    return (
        Points("temperature-agrees", agreed, agreeing, agree_text),
        Points("temperature-crosses", crossed, strays, cross_text),
    )


def separators(batch: LookBatch) -> FloatArray:
    """How much very pale white, black, or print that holds both sides stands in the look, by area. (n,)."""
    table = batch.table
    clean = batch.of(np.maximum(table.white, table.black) * ~table.print)
    both = batch.of(np.minimum(table.warm, table.cool) * table.print)
    body = ~batch.zone(Zone.FEET, Zone.HAND, Zone.WAIST)
    amount: FloatArray = (batch.area * body * np.maximum(clean, 3 * both)).sum(axis=1)
    return amount


def _metal_side(batch: LookBatch) -> Points:
    warm, cool = temperature_sides(batch)
    side = (warm - cool).sum(axis=1) / np.maximum((warm + cool).sum(axis=1), 0.1)
    metal = batch.of(batch.table.metal)
    yellow = metal == METALS.index(Metal.GOLD)
    white = metal == METALS.index(Metal.SILVER)
    lean = (yellow.sum(axis=1) - white.sum(axis=1)) / np.maximum((yellow | white).sum(axis=1), 1)
    values = batch.weights.points["metal-with-temperature"] * side * lean
    words = {1: "yellow metal", -1: "white metal"}
    return Points(
        "metal-with-temperature", values, yellow | white,
        lambda i: f"{batch.called(i, (yellow | white)[i])}: {words[1 if lean[i] > 0 else -1]} "
        f"{'agrees with' if values[i] > 0 else 'crosses'} the {'warm' if side[i] > 0 else 'cool'} neutrals",
    )  # fmt: skip


def _one_metal(batch: LookBatch) -> Points:
    metal = batch.of(batch.table.metal)
    shown = metal > 0
    kinds = np.stack([(metal == k).any(axis=1) for k in range(1, len(METALS) - 1)], axis=1).sum(axis=1)
    several = shown.sum(axis=1) > 1
    w = batch.weights.points
    match = np.where(kinds > 1, -w["metals-mixed"], np.where(several, w["one-metal"], 0.0))
    mix = np.where(kinds > 1, w["metals-mixed-on-purpose"], 0.0)
    values = np.where(batch.schools["mix_metals"], mix, match)
    return Points(
        "one-metal", values, shown,
        lambda i: f"{batch.called(i, shown[i])}: {'one metal repeated' if kinds[i] == 1 else f'{kinds[i]} metals'}",
    )  # fmt: skip


def _stark(batch: LookBatch) -> Points:
    table, w = batch.table, batch.weights.points
    weight = batch.area
    black = batch.of(table.black * ~table.print)
    rest = np.maximum((weight * (1 - black)).sum(axis=1), 1e-9)
    pale = (weight * (1 - black) * batch.of(table.mean_lightness)).sum(axis=1) / rest
    soft = np.clip((pale - 55) / 25, 0, 1) * np.clip(1 - (weight * batch.of(table.strong)).sum(axis=1) / 45, 0, 1)
    hard = black > 0.5
    amount = (weight * hard).sum(axis=1)
    accent = np.clip((0.35 - amount) / 0.15, 0, 1) * (amount > 0)
    held_black = batch.of(table.black * table.print) > 0.1
    echoed = (hard | held_black).sum(axis=1) > 1
    values = soft * accent * np.where(echoed, w["stark-black-echoed"], -w["stark-black"])

    def text(i: int) -> str:
        what = batch.called(i, hard[i])
        if echoed[i]:
            return f"{what}: the black returns, so it settles in a look of L* {pale[i]:.0f}"
        return f"{what}: a hard black alone in a soft look of L* {pale[i]:.0f}"

    return Points("stark-black", values, hard, text)


def _pale_accessories(batch: LookBatch) -> Points:
    table, w = batch.table, batch.weights.points
    clothes = ~batch.of(table.accessory, True)
    weight = batch.area * clothes
    lightness = batch.of(table.mean_lightness)
    pale = (weight * lightness).sum(axis=1) / np.maximum(weight.sum(axis=1), 1e-9)
    heavy = batch.zone(Zone.FEET, Zone.HAND, Zone.WAIST) & (batch.of(table.area) > 1)
    gap = np.where(heavy, np.clip(pale[:, None] - lightness - 28, 0, 45), 0)
    deepest = gap.max(axis=1)
    light = np.clip((pale - 66) / 14, 0, 1) * (weight.sum(axis=1) > 0)
    dark = gap > 12
    values = -w["dark-accessories"] * light * deepest / 45 * np.where(dark.sum(axis=1) > 1, 0.4, 1.0)
    values = values + np.where(
        (dark.sum(axis=1) == 0) & (heavy & batch.present).any(axis=1), w["pale-accessories"] * light, 0
    )
    return Points(
        "pale-accessories", values, np.where((values < 0)[:, None], dark, heavy),
        lambda i: f"{batch.called(i, dark[i])}: {deepest[i] + 28:.0f} L* below a pale look of L* {pale[i]:.0f}"
        if values[i] < 0 else f"{batch.called(i, heavy[i])}: as light as the look, L* {pale[i]:.0f}",
    )  # fmt: skip


def rising(values: FloatArray, low: float, high: float) -> FloatArray:
    """0 up to low, 1 from high, a straight line between: what a step would be, without its cliff."""
    risen: FloatArray = np.clip((values - low) / (high - low), 0, 1)
    return risen


def strength(batch: LookBatch) -> FloatArray:
    """How far a plain piece carries a colour that speaks up, 0..1. (n, m)."""
    plain = ~batch.of(batch.table.print, False) & batch.present
    level: FloatArray = rising(batch.of(batch.table.strong), STRONG - 6, STRONG + 4) * plain
    return level


def strong_places(batch: LookBatch) -> BoolArray:
    """Where a plain piece carries a colour that speaks up. (n, m)."""
    places: BoolArray = (batch.of(batch.table.strong) > STRONG) & ~batch.of(batch.table.print, False)
    return places


def _pop(batch: LookBatch) -> tuple[Points, Points]:
    quiet = (batch.area * np.clip(batch.of(batch.table.strong) / 30, 0, 1)).sum(axis=1)
    calm = np.clip((0.40 - quiet) / 0.26, 0, 1)
    smallness = rising(-batch.area, -0.18, -0.14) * strength(batch)
    small = smallness > 0
    hue = batch.of(batch.table.hue)
    vivid = batch.of(batch.table.strong) * smallness
    both = np.minimum(smallness[:, :, None], smallness[:, None, :])
    apart = hue_distance(hue[:, :, None], hue[:, None, :]) * (1 - batch.between(batch.table.answer, 0))
    widest = np.where(both > 0, apart, 0).max(axis=(1, 2))
    quarrel = (rising(apart, 25, 50) * both).max(axis=(1, 2))
    size = np.clip(vivid.max(axis=1) / 45, 0, 1)
    one = batch.weights.points["pop"] * calm * size * (1 - quarrel)
    two = -batch.weights.points["two-pops"] * quarrel * np.clip(calm + 0.4, 0, 1) * size

    def pop_text(i: int) -> str:
        return f"{batch.called(i, small[i])}: one strong colour, C* {vivid[i].max():.0f}, in a quiet look"

    return (
        Points("pop", one, small, pop_text),
        Points(
            "two-pops", two, small,
            lambda i: f"{batch.called(i, small[i])}: strong colours {widest[i]:.0f}° of hue apart",
        ),
    )  # fmt: skip


def _competing(batch: LookBatch) -> Points:
    level = strength(batch) * rising(batch.area, 0.06, 0.10)
    strong = level > 0
    hue = batch.of(batch.table.hue)
    apart = hue_distance(hue[:, :, None], hue[:, None, :])
    both = np.minimum(level[:, :, None], level[:, None, :])
    lesser = np.minimum(batch.area[:, :, None], batch.area[:, None, :])
    greater = np.maximum(batch.area[:, :, None], batch.area[:, None, :])
    equal = both * np.clip((lesser / np.maximum(greater, 1e-9) - 0.3) / 0.4, 0, 1)
    opposed = np.clip((apart - 40) / 50, 0, 1)
    worst = (equal * opposed).max(axis=(1, 2))
    return Points(
        "competing-equals", -batch.weights.points["competing-equals"] * worst, strong,
        lambda i: f"{batch.called(i, strong[i])}: strong colours in near equal amounts, neither leads",
    )  # fmt: skip


def _held(batch: LookBatch) -> Points:
    strong, w = strength(batch) > 0, batch.weights.points
    several = np.clip((strength(batch) * np.clip(batch.area / 0.06, 0, 1)).sum(axis=1) - 1, 0, 1)
    quiet = (batch.area * np.clip(1 - batch.of(batch.table.strong) / 24, 0, 1)).sum(axis=1)
    values = several * np.where(
        quiet >= 0.18, w["strong-held-by-quiet"] * np.clip(quiet / 0.35, 0, 1), -w["strong-unheld"] * (1 - quiet / 0.18)
    )
    return Points(
        "strong-held-by-quiet", values, strong,
        lambda i: f"{batch.called(i, strong[i])}: held by {100 * quiet[i]:.0f} % quiet cloth"
        if values[i] > 0 else f"{batch.called(i, strong[i])}: strong colours with only {100 * quiet[i]:.0f} % quiet cloth",
    )  # fmt: skip


def _clarity(batch: LookBatch) -> Points:
    table = batch.table
    plain = ~batch.of(table.metallic, False) & ~batch.of(table.print, False) & batch.present
    coloured = rising(-batch.of(table.neutral), -0.9, -0.2) * plain
    level, lightness = batch.of(table.chroma), batch.of(table.lab[:, 0])
    dusty = coloured * rising(-level, -27, -22) * rising(lightness, 32, 37) * rising(-lightness, -86, -81)
    clear = coloured * rising(level, 38, 48)
    weight, w = emphasis(batch), batch.weights.points
    both = np.minimum((weight * dusty).sum(axis=1), (weight * clear).sum(axis=1))
    crossing = np.clip(both / 0.15, 0, 1)
    several = np.clip(dusty.sum(axis=1) - 1, 0, 1) * (1 - clear.max(axis=1))
    values = w["clarity-agrees"] * several - w["clarity-crosses"] * crossing
    dusty, clear = dusty > 0.5, clear > 0.5
    return Points(
        "clarity-agrees", values, dusty | clear,
        lambda i: f"dusty colours keep company: {batch.called(i, dusty[i])}" if values[i] > 0
        else f"{batch.called(i, clear[i])} clear beside dusty {batch.called(i, dusty[i]).lower()}",
    )  # fmt: skip


def _echo(batch: LookBatch) -> Points:
    table, w = batch.table, batch.weights.points
    answer = batch.between(table.answer)
    best = np.maximum(answer, answer.transpose(0, 2, 1)).max(axis=2)
    metal = batch.of(table.metal)
    same_metal = (metal[:, :, None] == metal[:, None, :]) & (metal > 0)[:, :, None]
    same_metal &= ~np.eye(metal.shape[1], dtype=bool)
    best = np.maximum(best, same_metal.any(axis=2))
    accessory = batch.of(table.accessory, False) & (batch.of(table.area) >= 1)
    count = np.maximum(accessory.sum(axis=1), 1)
    answered = (best * accessory).sum(axis=1) / count * accessory.any(axis=1)
    # a colour that is no neutral and that nothing answers is a stray, unless it is the one pop of a quiet look
    odd = (batch.of(table.neutral) < 0.5) & ~batch.of(table.metallic, False) & (batch.of(table.area) >= 1)
    lone = odd & accessory & (best < 0.25)
    values = w["echo"] * answered - w["stray"] * np.maximum(lone.sum(axis=1) - 0.5, 0)
    repeated = accessory & (best > 0) & (best >= 0.6 * np.where(accessory, best, 0).max(axis=1, keepdims=True))
    return Points(
        "echo", values, np.where((values >= 0)[:, None], repeated, lone),
        lambda i: f"{batch.called(i, repeated[i])}: the colour returns elsewhere in the look"
        if values[i] >= 0 else f"{batch.called(i, lone[i])}: a colour that nothing answers",
    )  # fmt: skip


def _print_accent(batch: LookBatch) -> Points:
    table = batch.table
    prints, plain = batch.of(table.print, False), ~batch.of(table.print, True) & batch.present
    difference = np.where(prints[:, :, None] & plain[:, None, :], batch.between(table.nearest, 99.0), 99.0)
    nearest = difference.min(axis=1)
    belongs = np.exp(-0.5 * (nearest / PRINT_MATCH) ** 2)
    w = batch.weights.points
    full = w["accent-from-the-print"] + w["accent-against-the-print"]
    coloured = np.clip(batch.of(table.chroma) / 14, 0, 1) * (batch.of(table.area) >= 0.4) * plain
    coloured *= ~batch.of(table.metallic, False)
    weight = coloured * np.clip(batch.area / 0.10, 0.35, 1)
    values = (weight * (full * belongs - w["accent-against-the-print"])).sum(axis=1) / np.maximum(
        weight.sum(axis=1), 0.6
    )
    values = np.where(prints.any(axis=1) & (weight.sum(axis=1) > 0), values, 0.0)
    matching, strange = (coloured > 0.5) & (belongs > 0.55), (coloured > 0.5) & (belongs <= 0.55)
    return Points(
        "accent-from-the-print", values, np.where((values > 0)[:, None], matching, strange),
        lambda i: f"{batch.called(i, matching[i])}: one of the print's own colours" if values[i] > 0
        else f"{batch.called(i, strange[i])}: a colour that the print does not hold, ΔE {nearest[i][strange[i]].min(initial=99):.0f} away",
    )  # fmt: skip


def print_pairs(batch: LookBatch) -> tuple[BoolArray, FloatArray, BoolArray]:
    """Pairs of prints, how well they share a colour 0..1, and whether one kind meets one scale. (n, m, m) each."""
    table = batch.table
    prints = batch.of(table.print, False)
    upper = np.triu(np.ones((prints.shape[1],) * 2, dtype=bool), 1)
    pairs = prints[:, :, None] & prints[:, None, :] & upper
    shared = np.exp(-0.5 * (batch.between(table.nearest, 99.0) / PRINT_MATCH) ** 2)
    pattern, scale = batch.of(table.pattern, -1), batch.of(table.scale, -1)
    alike = (pattern[:, :, None] == pattern[:, None, :]) & (scale[:, :, None] == scale[:, None, :])
    return pairs, shared, alike


def _prints(batch: LookBatch) -> Points:
    pairs, shared, alike = print_pairs(batch)
    w = batch.weights.points
    full = w["prints-share"] + w["prints-strange"]
    each = np.where(pairs, full * shared - w["prints-strange"] - np.where(alike, w["prints-alike"], 0.0), 0.0)
    mixed = each.sum(axis=(1, 2))
    one = -w["prints-together-refused"] * pairs.any(axis=(1, 2))
    school = batch.schools["one_print"]
    values = np.clip(np.where(school, one, mixed), -16, 6)
    places = batch.of(batch.table.print, False) & np.expand_dims(pairs.any(axis=(1, 2)), 1)

    def text(i: int) -> str:
        what = batch.called(i, places[i])
        if school[i]:
            return f"{what}: more than one print, by the school of one"
        same = "of one kind and one scale" if (alike & pairs)[i].any() else "of different kind or scale"
        sharing = (shared * pairs)[i].max()
        return f"{what}: prints {same} that {'share' if sharing > 0.5 else 'do not share'} a colour"

    return Points("prints-together", values, places, text)


def _animals(batch: LookBatch) -> Points:
    animal = batch.of(batch.table.pattern, -1) == PATTERNS.index(PatternType.ANIMAL)
    count = animal.sum(axis=1)
    values = np.where(count > 1, -batch.weights.points["animal-prints"], 0.0)
    return Points(
        "animal-prints", values, animal,
        lambda i: f"{batch.called(i, animal[i])}: {count[i]} animal prints that nearly match",
    )  # fmt: skip


def _brown_with_blue(batch: LookBatch) -> Points:
    table, w = batch.table, batch.weights.points
    clothes = ~batch.of(table.accessory, True)
    area = batch.area * clothes
    blue = (area * batch.of(table.blue)).sum(axis=1) / np.maximum(area.sum(axis=1), 1e-9)
    leather = batch.zone(Zone.FEET, Zone.HAND, Zone.WAIST)
    brown, black = leather & (batch.of(table.brown) > 0.5), leather & (batch.of(table.black) > 0.5)
    mostly = np.clip((blue - 0.5) / 0.3, 0, 1)
    values = mostly * np.where(
        brown.any(axis=1), w["brown-with-blue"], np.where(black.any(axis=1), -w["black-with-blue"], 0.0)
    )
    return Points(
        "brown-with-blue", values, brown | black,
        lambda i: f"{batch.called(i, brown[i])}: brown warms a look that is {100 * blue[i]:.0f} % blue" if values[i] > 0
        else f"{batch.called(i, black[i])}: black stays cold in a look that is {100 * blue[i]:.0f} % blue",
    )  # fmt: skip


def _black_with_denim(batch: LookBatch) -> Points:
    denim = batch.of(batch.table.denim, False) & (batch.of(batch.table.blue) > 0.4)
    formal = batch.of(batch.table.formality, np.nan)
    black = batch.category(Category.SHOES) & (batch.of(batch.table.black) > 0.5) & ~(formal < 2.5)
    both = denim.any(axis=1) & black.any(axis=1)
    values = np.where(both & batch.schools["avoid_black_with_denim"], -batch.weights.points["black-with-denim"], 0.0)
    return Points(
        "black-with-denim", values, denim | black,
        lambda i: f"{batch.called(i, black[i])} with blue denim, which this school keeps apart",
    )  # fmt: skip


def _whites(batch: LookBatch) -> Points:
    white = (
        (batch.of(batch.table.lab[:, 0]) > 86)
        & (batch.of(batch.table.chroma) < 16)
        & ~batch.of(batch.table.print, False)
    )
    white = white & (batch.of(batch.table.area) >= 5)
    pairs: BoolArray = white[:, :, None] & white[:, None, :]
    apart = np.where(pairs, batch.between(batch.table.main_difference), 0).max(axis=(1, 2))
    values = np.where(
        batch.schools["one_white"], -batch.weights.points["whites-apart"] * np.clip((apart - 2) / 6, 0, 1), 0.0
    )
    return Points(
        "whites-together", values, white,
        lambda i: f"{batch.called(i, white[i])}: whites ΔE {apart[i]:.0f} apart, by the school of one white",
    )  # fmt: skip


def _shoes_and_bag(batch: LookBatch) -> Points:
    feet, bag = batch.zone(Zone.FEET), batch.category(Category.BAG)
    pairs = feet[:, :, None] & bag[:, None, :]
    answer = np.where(pairs, batch.between(batch.table.answer), 0).max(axis=(1, 2))
    apart = np.where(pairs, batch.between(batch.table.main_difference, 99.0), 99.0).min(axis=(1, 2))
    both = pairs.any(axis=(1, 2))
    w = batch.weights.points
    pair = np.where(
        apart < 5, w["shoes-and-bag-paired"], -w["shoes-and-bag-unpaired"] * np.clip((apart - 5) / 10, 0, 1)
    )
    values = np.where(both, np.where(batch.schools["pair_shoes_and_bag"], pair, w["shoes-and-bag"] * answer), 0.0)
    return Points(
        "shoes-and-bag", values, feet | bag,
        lambda i: f"{batch.called(i, (feet | bag)[i])}: ΔE {apart[i]:.0f} apart, "
        f"{'by the school of matched pairs' if batch.schools['pair_shoes_and_bag'][i] else 'related'}",
    )  # fmt: skip


def _black_in_summer(batch: LookBatch) -> Points:
    warmth = batch.of(batch.table.weather, np.nan)
    known = ~np.isnan(warmth)
    hot = (np.where(known, warmth, 0).sum(axis=1) <= 1.0 * known.sum(axis=1)) & known.any(axis=1)
    black = batch.of(batch.table.black)
    amount = (batch.area * black).sum(axis=1)
    values = np.where(
        hot & batch.schools["avoid_black_in_summer"],
        -batch.weights.points["black-in-summer"] * np.clip(amount / 0.4, 0, 1),
        0.0,
    )
    return Points(
        "black-in-summer", values, black > 0.5,
        lambda i: f"{batch.called(i, (black > 0)[i])}: {100 * amount[i]:.0f} % black on a hot day",
    )  # fmt: skip
