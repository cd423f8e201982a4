"""The reference card: its layout, how it is found in a photo, and what its patches read."""

from dataclasses import dataclass
from functools import cache

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray, IntArray

WIDTH, HEIGHT = 105.0, 148.0
"""Millimetres of the smaller card, ISO 216 A6; on A4 everything is twice as large."""
MARGIN, MARKER = 6.0, 22.0
COLUMNS, ROWS = 6, 4
GAP = 1.5
"""Between two patches."""
TOP, BOTTOM = MARGIN + MARKER + 4.0, HEIGHT - MARGIN - MARKER - 4.0
DICTIONARY = cv2.aruco.DICT_4X4_50
CORNERS = (0, 1, 2, 3)
"""Numbers of the marks: top left, top right, bottom right, bottom left."""

NEUTRALS = ((95.0, 0.0, 0.0), (80.0, 0.0, 0.0), (65.0, 0.0, 0.0), (50.0, 0.0, 0.0), (35.0, 0.0, 0.0), (20.0, 0.0, 0.0))
"""CIELAB of the first row; the lightest is the bare paper."""
COLOURS = (
    (52.0, 46.0, 22.0),
    (58.0, 36.0, 48.0),
    (76.0, 8.0, 58.0),
    (68.0, -18.0, 46.0),
    (54.0, -34.0, 20.0),
    (58.0, -28.0, -8.0),
    (50.0, -8.0, -36.0),
    (42.0, 14.0, -42.0),
    (46.0, 34.0, -30.0),
    (52.0, 46.0, -8.0),
    (74.0, 20.0, 10.0),
    (78.0, -14.0, -4.0),
    (68.0, 14.0, 18.0),
    (46.0, 16.0, 22.0),
    (80.0, 2.0, 22.0),
    (34.0, 14.0, 14.0),
    (42.0, -10.0, 22.0),
    (28.0, 6.0, -24.0),
)
"""CIELAB that is asked of the printer in the further rows: hues all round, then the colours of skin and cloth."""

NOMINAL = np.array(NEUTRALS + COLOURS)
"""(24, 3)."""
GREY_STEPS = len(NEUTRALS)


def patch_boxes() -> FloatArray:
    """The patches, row by row: left, top, right and bottom in millimetres of the A6 card. (24, 4)."""
    wide, high = (WIDTH - 2 * MARGIN) / COLUMNS, (BOTTOM - TOP) / ROWS
    row, column = np.divmod(np.arange(COLUMNS * ROWS), COLUMNS)
    left, top = MARGIN + column * wide, TOP + row * high
    return np.stack([left + GAP / 2, top + GAP / 2, left + wide - GAP / 2, top + high - GAP / 2], axis=1)


def marker_boxes() -> FloatArray:
    """The corner marks in the order of CORNERS: left, top, right and bottom in millimetres. (4, 4)."""
    far_x, far_y = WIDTH - MARGIN - MARKER, HEIGHT - MARGIN - MARKER
    places = [(MARGIN, MARGIN), (far_x, MARGIN), (far_x, far_y), (MARGIN, far_y)]
    return np.array([(x, y, x + MARKER, y + MARKER) for x, y in places])


@cache
def marker_cells(number: int) -> IntArray:
    """The squares of a corner mark, 1 for black, its black rim included. (6, 6)."""
    dictionary = cv2.aruco.getPredefinedDictionary(DICTIONARY)
    return (cv2.aruco.generateImageMarker(dictionary, number, 6) == 0).astype(np.intp)


@dataclass(frozen=True, slots=True, eq=False)
class FoundCard:
    """Where the card lies in a photo."""

    to_photo: FloatArray
    """(3, 3), homography from millimetres of the card to fractions of the photo."""
    marks: int
    """How many of the four corner marks were seen."""

    def region(self, shape: tuple[int, ...]) -> BoolArray:
        """The part of a picture that the card covers. shape: rows and columns."""
        rim = np.array([[0, 0], [WIDTH, 0], [WIDTH, HEIGHT], [0, HEIGHT]])
        corners = _projected(self.to_photo, rim) * np.array([shape[1], shape[0]])
        canvas = np.zeros(shape[:2], np.uint8)
        cv2.fillPoly(canvas, [np.rint(corners).astype(np.int32)], 1)
        return canvas > 0


@dataclass(frozen=True, slots=True)
class Sighting:
    """What was seen of cards in a photo."""

    card: FoundCard | None
    note: str
    """Why a card that seems to be there cannot be used; empty otherwise."""


LEAST_MARKS = 3
LARGE = 1200
"""Pixels of the long side from which a picture is not enlarged."""
NEIGHBOURHOODS = 9, 21
"""Pixels."""


def find_card(srgb: ByteArray) -> Sighting:
    """The reference card in a photo, at any angle.

    srgb: (rows, columns, 3), as many pixels as there are. A card that is doubled or half covered is not used, and the
    note says so."""
    rows, columns = srgb.shape[:2]
    grey = cv2.cvtColor(srgb, cv2.COLOR_RGB2GRAY)
    scale = 2 if max(rows, columns) < LARGE else 1
    # small marks are seen better on an enlarged picture
    large = cv2.resize(grey, None, fx=scale, fy=scale, interpolation=cv2.INTER_CUBIC) if scale > 1 else grey
    corners, numbers = _marks(large)
    corners = [c / scale for c in corners]
    if len(numbers) == 0:
        return Sighting(None, "")
    if len(set(numbers)) < len(numbers):
        return Sighting(None, "There are two reference cards in the photo: leave one in it.")
    if len(numbers) < LEAST_MARKS:
        return Sighting(None, "The reference card is half covered: show at least three of its corner marks.")
    on_card = np.concatenate([_corners_of(marker_boxes()[number]) for number in numbers])
    in_photo = np.concatenate(corners) / np.array([columns, rows])
    homography, _ = cv2.findHomography(on_card, in_photo)
    if homography is None:
        return Sighting(None, "The reference card lies too flat to the camera to be read: turn it towards it.")
    return Sighting(FoundCard(homography, len(numbers)), "")


def _marks(grey: ByteArray) -> tuple[list[FloatArray], list[int]]:
    parameters = cv2.aruco.DetectorParameters()
    # two neighbourhoods that tell black from white find as many cards as the usual three, of which the smallest takes
    # most of the time
    parameters.adaptiveThreshWinSizeMin, parameters.adaptiveThreshWinSizeMax = NEIGHBOURHOODS
    parameters.adaptiveThreshWinSizeStep = NEIGHBOURHOODS[1] - NEIGHBOURHOODS[0]
    parameters.cornerRefinementMethod = cv2.aruco.CORNER_REFINE_SUBPIX
    detector = cv2.aruco.ArucoDetector(cv2.aruco.getPredefinedDictionary(DICTIONARY), parameters)
    corners, numbers, _ = detector.detectMarkers(grey)
    if numbers is None:
        return [], []
    ours = [(c[0].astype(float), int(n)) for c, n in zip(corners, numbers.ravel(), strict=True) if int(n) in CORNERS]
    return [c for c, _ in ours], [n for _, n in ours]


def _corners_of(box: FloatArray) -> FloatArray:
    left, top, right, bottom = box
    return np.array([[left, top], [right, top], [right, bottom], [left, bottom]])


def _projected(homography: FloatArray, points: FloatArray) -> FloatArray:
    seen: FloatArray = cv2.perspectiveTransform(points[None].astype(np.float64), homography)[0]
    return seen


@dataclass(frozen=True, slots=True, eq=False)
class CardReading:
    """What the patches of a card read in a photo."""

    rgb: FloatArray
    """(24, 3), linear sRGB as shot."""
    usable: BoolArray
    """(24,): neither overexposed nor lost in the dark nor half covered."""


OVEREXPOSED, LOST = 0.96, 0.004
EVEN = 0.16
"""Spread of luminance in a patch, against its middle, above which something lies over it."""


def read_patches(rgb_linear: FloatArray, card: FoundCard) -> CardReading:
    """The middle of every patch. rgb_linear: (rows, columns, 3), as shot, at the size that is measured."""
    rows, columns = rgb_linear.shape[:2]
    colours, usable = [], []
    for left, top, right, bottom in patch_boxes():
        inset_x, inset_y = 0.22 * (right - left), 0.22 * (bottom - top)
        box = np.array([left + inset_x, top + inset_y, right - inset_x, bottom - inset_y])
        corners = _projected(card.to_photo, _corners_of(box)) * np.array([columns, rows])
        pixels = _inside(rgb_linear, corners)
        if len(pixels) == 0:
            colours.append(np.zeros(3))
            usable.append(False)
            continue
        middle = np.median(pixels, axis=0).astype(np.float64)
        luminance = pixels.mean(axis=1)
        scatter = float(np.std(luminance) / max(float(np.mean(luminance)), 0.01))
        colours.append(middle)
        usable.append(bool(middle.max() < OVEREXPOSED and middle.max() > LOST and scatter < EVEN))
    return CardReading(np.array(colours), np.array(usable))


def _inside(rgb_linear: FloatArray, corners: FloatArray) -> FloatArray:
    low = np.maximum(np.floor(corners.min(axis=0)).astype(int), 0)
    high = np.minimum(np.ceil(corners.max(axis=0)).astype(int) + 1, np.array(rgb_linear.shape[1::-1]))
    if (high - low < 1).any():
        return np.zeros((0, 3))
    canvas = np.zeros((high[1] - low[1], high[0] - low[0]), np.uint8)
    cv2.fillPoly(canvas, [np.rint(corners - low).astype(np.int32)], 1)
    return rgb_linear[low[1] : high[1], low[0] : high[0]][canvas > 0]
