"""Where the colours of a cloth lie: every kind of pattern in many families, drawn at random.

Each family takes places on the cloth in periods, (rows, columns) across and down, a source of chance, and how many colours
there are. It gives the colour of each place, (rows, columns), 0 the ground."""

import cv2
import numpy as np

from lucid_swatch.core.garment.vocabulary import PatternType as P

from .shapes import scattered, two_nearest


def stripes(u, v, rng, count):
    """Bands of one or several widths, again and again."""
    bands = int(rng.integers(1, 4)) * 2 if count == 2 else int(rng.integers(count, 2 * count + 1))
    return _sequence(v, rng, count, bands)


def pinstripes(u, v, rng, count):
    """Thin lines far apart."""
    line = (v % 1) < rng.uniform(0.06, 0.2)
    return np.where(line, 1 + (np.floor(v) % (count - 1)), 0)


def _sequence(v, rng, count, bands):
    widths = rng.uniform(0.4, 1.0, bands) ** rng.uniform(0.5, 2.5)
    ends = np.cumsum(widths) / widths.sum()
    order = [0]
    for _ in range(bands - 1):
        order.append(int(rng.choice([k for k in range(count) if k != order[-1]])))
    if order[-1] == order[0] and bands > 1:
        order[-1] = next(
            k for k in range(count) if k not in (order[0], order[-2 if bands > 2 else 0]) or (count == 2 and k)
        )
    return np.array(order)[np.searchsorted(ends, v % 1).clip(0, bands - 1)]


def gingham(u, v, rng, count):
    """Two sets of bands, darker where they cross: the mixed colour is the third."""
    part = rng.uniform(0.35, 0.6)
    both = ((u % 1) < part).astype(int) + ((v % 1) < part)
    return both if count > 2 else np.minimum(both, 1)


def board(u, v, rng, count):
    """Squares of two colours in turn."""
    square = (np.floor(2 * u) + np.floor(2 * v)).astype(int)
    return np.where(square % 2 == 1, 1 + np.floor(u).astype(int) % (count - 1), 0)


def plaid(u, v, rng, count):
    """A sequence of bands crossed by the same, as twill crosses them: either on top in turn."""
    state = rng.bit_generator.state
    bands = int(rng.integers(count, 2 * count + 2))
    across = _sequence(u, rng, count, bands)
    if rng.random() < 0.7:
        rng.bit_generator.state = state
        bands = int(rng.integers(count, 2 * count + 2))
    down = _sequence(v, rng, count, bands)
    # a pair of colours is a colour of its own; the caller mixes it
    return np.where(across == down, across, count + np.minimum(across, down) * count + np.maximum(across, down))


def windowpane(u, v, rng, count):
    """Thin lines that cross on a ground."""
    thin = rng.uniform(0.06, 0.18)
    across, down = (u % 1) < thin, (v % 1) < thin
    if count > 2 and rng.random() < 0.6:
        other = ((u + 0.5) % 1 < thin) | ((v + 0.5) % 1 < thin)
        return np.where(across | down, 1, np.where(other, 2, 0))
    return np.where(across | down, 1, 0)


def dots(u, v, rng, count):
    """Round spots in rows, staggered or not."""
    size = rng.uniform(0.14, 0.38)
    stagger = 0.5 * (rng.random() < 0.6)
    return scattered(u, v, rng, stagger, 0.0, lambda d: np.where(d.r < size, 1 + d.pick(count - 1), -1))


def loose_dots(u, v, rng, count):
    """Round spots strewn, of one or several sizes."""
    least, most = np.sort(rng.uniform(0.1, 0.36, 2))
    return scattered(
        u, v, rng, 0.5, rng.uniform(0.0, 0.35), lambda d: np.where(d.r < d.draw(least, most), 1 + d.pick(count - 1), -1)
    )


def ringed_dots(u, v, rng, count):
    """Spots with an edge of another colour, or rings."""
    size, edge = rng.uniform(0.24, 0.4), rng.uniform(0.45, 0.75)
    inner = 0 if count == 2 or rng.random() < 0.3 else 2
    return scattered(
        u,
        v,
        rng,
        0.5 * (rng.random() < 0.5),
        0.0,
        lambda d: np.where(d.r < size * edge, inner, np.where(d.r < size, 1, -1)),
    )


def flowers(u, v, rng, count):
    """Flowers with leaves, dense or far apart."""
    petals = int(rng.integers(4, 9))
    deep, fill, jitter = rng.uniform(0.2, 0.5), rng.uniform(0.3, 0.56), rng.uniform(0.1, 0.4)
    leaves, heart = rng.random() < 0.7 and count > 2, rng.uniform(0.2, 0.4)

    def flower(d):
        size = d.draw(0.7, 1.15) * fill
        answer = np.full(d.r.shape, -1)
        if leaves:
            for side in (1, -1):
                long, wide = d.turned(d.draw(0, 2 * np.pi) + side * 1.2)
                leaf = np.abs(wide) < 0.3 * size * np.clip(1 - ((long - size) / (0.8 * size)) ** 2, 0, 1)
                answer[leaf] = count - 1
        bloom = d.r < size * (1 - deep + deep * np.cos(petals * (d.angle - d.draw(0, 2 * np.pi))))
        kinds = max(1, count - 1 - leaves - (count > 3))
        answer[bloom] = (1 + d.pick(kinds))[bloom]
        if count > 2:
            answer[d.r < heart * size] = min(2, count - 1) if count < 4 else count - 2
        return answer

    return scattered(u, v, rng, 0.5, jitter, flower)


def sprigs(u, v, rng, count):
    """Small leaves on stems, or petals strewn."""
    slim, blades = rng.uniform(0.2, 0.42), int(rng.integers(2, 6))

    def sprig(d):
        answer = np.full(d.r.shape, -1)
        lean = d.draw(0, 2 * np.pi)
        for k in range(blades):
            long, wide = d.turned(lean + 2 * np.pi * k / blades)
            leaf = np.abs(wide) < slim * 0.42 * np.clip(1 - ((long - 0.24) / 0.22) ** 2, 0, 1)
            answer[leaf] = (1 + (k + d.pick(count - 1)) % (count - 1))[leaf]
        return answer

    return scattered(u, v, rng, 0.5, rng.uniform(0.05, 0.4), sprig)


def rosettes(u, v, rng, count):
    """Broken rings round a darker heart, as on a big cat."""
    thick, gap = rng.uniform(0.25, 0.5), rng.uniform(0.0, 0.5)

    def rosette(d):
        size = 0.42 * d.draw(0.7, 1.05) * d.wobble(0.22)
        open_ = np.cos(d.angle * d.draw(1, 4).round() - d.draw(0, 2 * np.pi)) > 1 - gap
        ring = (d.r < size) & (d.r > size * (1 - thick)) & ~open_
        heart = d.r <= size * (1 - thick)
        return np.where(ring, 1, np.where(heart, min(2, count - 1) if count > 2 else 0, -1))

    return scattered(u, v, rng, 0.5, rng.uniform(0.15, 0.35), rosette)


def spots(u, v, rng, count):
    """Uneven spots of a cat or a dog."""
    least = rng.uniform(0.14, 0.26)
    rough = rng.uniform(0.1, 0.3)
    return scattered(
        u, v, rng, 0.5, rng.uniform(0.2, 0.42),
        lambda d: np.where(d.r < d.draw(least, least * 1.9) * d.wobble(rough), 1 + d.pick(count - 1), -1),
    )  # fmt: skip


def hide(u, v, rng, count):
    """Large blotches of a cow."""
    field = _soft(rng, u, v, 1.3)
    low = np.quantile(field, rng.uniform(0.5, 0.75))
    answer = (field > low).astype(int)
    return np.where((field > low + 0.5) & (count > 2), 2, answer)


def bands_of_fur(u, v, rng, count):
    """The bands of a zebra or a tiger, which fork and end: noise of one wavelength (Turing 1952)."""
    field = _waves(rng, u, v, rng.uniform(0.1, 0.3), rng.uniform(0.25, 1.2))
    low = np.quantile(field, rng.uniform(0.4, 0.65))
    answer = (field > low).astype(int)
    if count > 2:
        answer[np.abs(field - low) < rng.uniform(0.08, 0.2)] = 2
    return answer


def pelt(u, v, rng, count):
    """Bands and islands that flow into one another, along the back."""
    bend = rng.uniform(0.1, 0.5)
    x, y = u + bend * _soft(rng, u, v, 1.6), v + bend * _soft(rng, u, v, 1.6)
    field = _waves(rng, x, y, rng.uniform(0.2, 0.5), rng.uniform(0.4, 1.0)) + rng.uniform(0, 0.8) * _soft(
        rng, u, v, 0.7
    )
    low = np.quantile(field, rng.uniform(0.4, 0.65))
    answer = (field > low).astype(int)
    if count > 2:
        answer[field > low + rng.uniform(0.4, 0.9)] = 2
    return answer


def giraffe(u, v, rng, count):
    """Patches with seams between them."""
    near, next_, which = two_nearest(u, v, rng, 0.34)
    patch = next_ - near > rng.uniform(0.1, 0.22)
    return np.where(patch, 1 + which % max(count - 1, 1), 0)


def snake(u, v, rng, count):
    """Scales in uneven diamonds."""
    u, v = u + 0.12 * _soft(rng, u, v, 0.8), v + 0.12 * _soft(rng, u, v, 0.8)
    diamond = np.abs((u + v) % 1 - 0.5) + np.abs((u - v) % 1 - 0.5)
    rough = diamond + 0.16 * _soft(rng, u, v, 0.25)
    return np.where(rough < 0.36, 1, np.where((rough > 0.72) & (count > 2), 2, 0))


def zigzag(u, v, rng, count):
    """Chevrons."""
    steep = rng.uniform(0.4, 1.3)
    along = v + steep * np.abs((u * rng.uniform(0.5, 1.0)) % 1 - 0.5)
    return _sequence(along, rng, count, count if rng.random() < 0.7 else 2 * count)


def diamonds(u, v, rng, count):
    """Diamonds, one in another or side by side."""
    diamond = np.abs(u % 1 - 0.5) + np.abs(v % 1 - 0.5)
    edges = np.sort(rng.uniform(0.15, 0.9, count - 1))
    return np.digitize(diamond, edges)


def houndstooth(u, v, rng, count):
    """Broken checks with teeth: twill of four dark and four light threads."""
    x, y = np.floor(u * 8).astype(int), np.floor(v * 8).astype(int)
    warp, weft = (x % 8) < 4, (y % 8) < 4
    over = (x + y) % 4 < 2
    return np.where(over, warp, weft).astype(int)


def triangles(u, v, rng, count):
    """Triangles or pinwheels."""
    x, y = u % 1, v % 1
    cell = (np.floor(u) + 2 * np.floor(v)).astype(int)
    if rng.random() < 0.5:
        return np.where(x + y > 1, 1 + cell % (count - 1), 0)
    spin = (np.arctan2(y - 0.5, x - 0.5) / (2 * np.pi) * 8 % 2 < 1).astype(int)
    return np.where(spin == 1, 1 + cell % (count - 1), 0)


def hexagons(u, v, rng, count):
    """A honeycomb of lines, or hexagons of several colours."""
    near, next_, which = two_nearest(u, v * 1.1547, rng, 0.0)
    line = next_ - near < rng.uniform(0.08, 0.2)
    return np.where(line, 0, 1 + which % max(count - 1, 1))


def key(u, v, rng, count):
    """A meander of straight lines."""
    drawn = np.array([
        [1, 1, 1, 1, 1, 1, 0], [1, 0, 0, 0, 0, 1, 0], [1, 0, 1, 1, 0, 1, 0], [1, 0, 1, 0, 0, 1, 0], [1, 0, 1, 1, 1, 1, 0],
        [1, 0, 0, 0, 0, 0, 0], [1, 1, 1, 1, 1, 1, 1],
    ])  # fmt: skip
    return drawn[(v * 7 % 7).astype(int), (u * 7 % 7).astype(int)] * (1 + (np.floor(v).astype(int) % (count - 1)))


def medallions(u, v, rng, count):
    """Shapes with straight or even edges in rows: crosses, stars, squares, octagons, with smaller ones between."""
    corners, spin = int(rng.choice([3, 4, 4, 5, 6, 8])), rng.uniform(0, np.pi)
    star, size = rng.uniform(0, 0.5) * (rng.random() < 0.5), rng.uniform(0.25, 0.5)

    def shape(d):
        edge = size * np.cos(np.pi / corners) / np.cos((d.angle + spin) % (2 * np.pi / corners) - np.pi / corners)
        edge = edge * (1 - star * (0.5 + 0.5 * np.cos(corners * (d.angle + spin))))
        answer = np.where(d.r < edge, 1, -1)
        return np.where((d.r < 0.5 * edge) & (count > 2), 2, answer)

    field = scattered(u, v, rng, 0.5 * (rng.random() < 0.5), 0.0, shape)
    if rng.random() < 0.4:
        between = scattered(u + 0.5, v + 0.5, rng, 0.0, 0.0, lambda d: np.where(d.r < 0.4 * size, count - 1, -1))
        field = np.where(field == 0, between, field)
    return field


def round_scales(u, v, rng, count):
    """Overlapping round scales with rims."""
    answer = np.zeros(u.shape, int)
    for row in (1, 0):
        y = (v + row) % 2 - 1
        x = (u + 0.5 * row) % 1 - 0.5
        r = np.hypot(x, y * 0.9)
        inside = (r < 0.56) & (y > -0.6)
        answer = np.where(inside, np.where(r > 0.42, 1, np.where((r < 0.2) & (count > 2), 2, 0)), answer)
    return answer


def herringbone(u, v, rng, count):
    """Slanting lines that turn at every column."""
    turned = np.floor(u) % 2 * 2 - 1
    return np.where((v * 3 + turned * (u % 1) * 3) % 1 < rng.uniform(0.35, 0.6), 1, 0)


def camouflage(u, v, rng, count):
    """Blotches over blotches."""
    answer = np.zeros(u.shape, int)
    long = rng.uniform(0.5, 1.2)
    for colour in range(1, count):
        field = _soft(rng, u, v * long, rng.uniform(0.5, 1.0), layers=int(rng.integers(1, 4)))
        answer[field > np.quantile(field, rng.uniform(0.55, 0.8))] = colour
    return answer


def contours(u, v, rng, count):
    """The levels of a soft field, as on a map or in marbled paper."""
    field = _soft(rng, u, v, 1.0, layers=int(rng.integers(1, 4)))
    edges = np.quantile(field, np.sort(rng.uniform(0.1, 0.9, count - 1)))
    return np.digitize(field, edges)


def marbled(u, v, rng, count):
    """Bands bent out of shape."""
    bent = v + rng.uniform(0.5, 1.4) * _soft(rng, u, v, 1.6, layers=2)
    return _sequence(bent, rng, count, count + int(rng.integers(0, 3)))


def strokes(u, v, rng, count):
    """Strokes of a brush, along one way or every way."""
    one_way, lean = rng.random() < 0.5, rng.uniform(0, np.pi)
    long, wide = rng.uniform(0.35, 0.6), rng.uniform(0.06, 0.16)

    def stroke(d):
        turn = lean + d.draw(-0.25, 0.25) if one_way else d.draw(0, np.pi)
        along, across = d.turned(turn)
        inside = (np.abs(along) < long * d.draw(0.6, 1.1)) & (np.abs(across) < wide * d.draw(0.6, 1.4))
        return np.where(inside, 1 + d.pick(count - 1), -1)

    return scattered(u, v, rng, 0.5, 0.5, stroke)


def shards(u, v, rng, count):
    """Uneven pieces side by side, or strewn on a ground."""
    near, next_, which = two_nearest(u, v, rng, 0.5)
    if rng.random() < 0.5:
        return which % count
    return np.where(next_ - near > rng.uniform(0.15, 0.4), 1 + which % (count - 1), 0)


def blocks(u, v, rng, count):
    """Two or three large parts with straight edges."""
    first = v + rng.uniform(-0.12, 0.12)
    answer = (first > 0).astype(int)
    if count > 2:
        answer[(first > rng.uniform(0.2, 0.5)) if rng.random() < 0.5 else ((first > 0) & (u > 0))] = 2
    return answer


def _soft(rng, u, v, wavelength, layers=1):
    """Soft noise whose bumps are so many periods long, of unit spread."""
    total = np.zeros(u.shape, np.float32)
    for k in range(layers):
        size = wavelength / 2**k
        x, y = (u / size).astype(np.float32), (v / size).astype(np.float32)
        grid = rng.standard_normal((int(np.ptp(y)) + 6, int(np.ptp(x)) + 6)).astype(np.float32)
        places = (x - x.min() + 2, y - y.min() + 2)
        total += 0.5**k * cv2.remap(grid, *places, cv2.INTER_CUBIC, borderMode=cv2.BORDER_REFLECT)
    return total / max(float(total.std()), 1e-6)


def _waves(rng, u, v, width, along):
    """Noise of one wavelength, more of it across than along by a part. Made on a grid of its own."""
    steps = 10
    rows, columns = int(np.ptp(v) * steps) + 8, int(np.ptp(u) * steps) + 8
    if rows * columns > 4_000_000:
        return _soft(rng, u, v, 0.5)
    fy, fx = np.fft.fftfreq(rows)[:, None] * steps, np.fft.rfftfreq(columns)[None] * steps
    ring = np.exp(-((np.hypot(fx * along, fy) - 1.0) ** 2) / (2 * width**2))
    grid = np.fft.irfft2(np.fft.rfft2(rng.standard_normal((rows, columns))) * ring, (rows, columns)).astype(np.float32)
    field = cv2.remap(
        grid, ((u - u.min()) * steps).astype(np.float32), ((v - v.min()) * steps).astype(np.float32), cv2.INTER_CUBIC
    )
    return field / max(float(field.std()), 1e-6)


FAMILIES = {
    P.STRIPE: (stripes, stripes, pinstripes),
    P.CHECK: (gingham, plaid, plaid, windowpane, board),
    P.DOT: (dots, dots, loose_dots, ringed_dots),
    P.FLORAL: (flowers, flowers, flowers, sprigs),
    P.ANIMAL: (rosettes, rosettes, spots, hide, bands_of_fur, bands_of_fur, pelt, giraffe, snake),
    P.GEOMETRIC: (zigzag, zigzag, diamonds, houndstooth, triangles, hexagons, key, medallions, medallions, round_scales, herringbone),
    P.ABSTRACT: (camouflage, camouflage, contours, marbled, strokes, strokes, shards),
    P.COLOUR_BLOCK: (blocks,),
}  # fmt: skip
"""The families of each kind; one that stands twice is drawn twice as often."""
