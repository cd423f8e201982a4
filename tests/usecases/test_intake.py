"""A photo's way from the file to the rail, and back."""

from datetime import date

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.garment.vocabulary import Bin, Category, PatternType, Scale
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.strokes import Stroke
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.demo.studio.scene import Room, room_picture
from lucid_swatch.files.pictures import mask_png, read_mask
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import PhotoState
from lucid_swatch.usecases.clients import add_client, give_consent, withdraw_consent
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.intake import add_stroke, another_piece, not_now, relight, remove_photo, take_in, undo_stroke
from lucid_swatch.usecases.rail import change_piece, hang_photo, take_off, the_rail
from lucid_swatch.usecases.reading_photos import read_kept_photo
from tests.pictures import coat_photo, encoded

TODAY = date(2031, 5, 4)


@pytest.fixture
def client(sessions):
    with sessions.begin() as session:
        return add_client(session, "Maren", TODAY)


@pytest.fixture
def take(sessions, folder, eyes, client):
    def taken(*files):
        return take_in(sessions, folder, eyes, client.id, files)

    return taken


@pytest.fixture
def coat(take, sessions, folder, network):
    """A photo that was taken in and read."""
    id = take(("coat.jpg", coat_photo()))[0].photo.id
    read_kept_photo(sessions, folder, network, id)
    return id


class Polygon:
    """A closed polygon."""

    def __init__(self, points):
        x, y = np.array(points).T
        self.area = abs(float(np.dot(x, np.roll(y, 1)) - np.dot(y, np.roll(x, 1)))) / 2


def photo(sessions, id):
    with sessions() as session:
        return Photos(session).get(id)


def test_nobody_is_photographed_without_consent(sessions):
    with sessions.begin() as session:
        with pytest.raises(Refused, match="without consent"):
            add_client(session, "Maren", None)
        with pytest.raises(Refused, match="no name"):
            add_client(session, "  ", TODAY)


def test_a_photo_is_read(coat, sessions, folder):
    read = photo(sessions, coat)
    assert read.state is PhotoState.READ
    assert read.reading.document["sort"]["bin"] == "cool neutral"
    assert len(read.outline[0]) >= 4
    for name in ("as-shot.jpg", "relit.jpg", "cloth-only.webp", "cloth.jpg", "colour-0.jpg", "thumbnail.jpg"):
        assert folder.picture(coat, name).stat().st_size > 100
    assert b"Telltale" not in folder.photo(read.file).read_bytes()


def test_one_refused_file_does_not_stop_the_rest(take):
    first, second = take(("letter.jpg", b"Dear wardrobe"), ("coat.jpg", coat_photo()))
    assert "not a photo" in first.problem.what
    assert first.photo is None
    assert second.photo.state is PhotoState.WAITING


def test_a_photo_that_breaks_off_fails_with_a_sentence(take, sessions, folder, network):
    id = take(("coat.jpg", coat_photo()[:4000]))[0].photo.id
    read_kept_photo(sessions, folder, network, id)
    failed = photo(sessions, id)
    assert failed.state is PhotoState.FAILED
    assert failed.problem.where == "coat.jpg"
    assert "damaged" in failed.problem.what


def test_a_removed_photo_is_not_read(take, sessions, folder, network):
    id = take(("coat.jpg", coat_photo()))[0].photo.id
    with sessions.begin() as session:
        remove_photo(session, folder, id)
    read_kept_photo(sessions, folder, network, id)
    with pytest.raises(NotThere):
        photo(sessions, id)


def test_a_tapped_neutral_relights_and_can_be_taken_back(coat, sessions, folder, network):
    estimated = photo(sessions, coat).reading.document["light"]
    with sessions.begin() as session:
        assert relight(session, coat, NeutralPoint(0.05, 0.05, 83.0)).state is PhotoState.WAITING
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).reading.document["light"]["reference"] == "neutral"
    with sessions.begin() as session:
        relight(session, coat, None)
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).reading.document["light"] == estimated


def test_strokes_move_the_outline_and_come_back(coat, sessions, folder, network):
    before = photo(sessions, coat)
    add_stroke(sessions, folder, coat, Stroke(False, ((0.3, 0.75), (0.7, 0.75)), 0.08))
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).reading.document["garment"]["share"] < before.reading.document["garment"]["share"]
    undo_stroke(sessions, folder, coat)
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).outline == before.outline
    with pytest.raises(Refused, match="no stroke"):
        undo_stroke(sessions, folder, coat)


def test_the_outline_answers_at_once_and_the_colours_follow(coat, sessions, folder, network):
    before = photo(sessions, coat)
    mended = add_stroke(sessions, folder, coat, Stroke(False, ((0.3, 0.75), (0.7, 0.75)), 0.08))
    assert mended.outline != before.outline
    assert mended.reading == before.reading
    read_kept_photo(sessions, folder, network, coat)
    first, second = (Polygon(o[0]) for o in (mended.outline, photo(sessions, coat).outline))
    assert first.area == pytest.approx(second.area, rel=0.05)


def test_an_outline_kept_at_another_size_is_still_the_outline(coat, sessions, folder, network):
    before = photo(sessions, coat)
    kept = read_mask(folder.picture(coat, "found.png").read_bytes())
    larger = Image.fromarray(kept).resize((round(kept.shape[1] * 1.024), round(kept.shape[0] * 1.024)))
    folder.keep_picture(coat, "found.png", mask_png(np.asarray(larger)))
    mended = add_stroke(sessions, folder, coat, Stroke(False, ((0.3, 0.75), (0.7, 0.75)), 0.08))
    assert mended.outline != before.outline
    read_kept_photo(sessions, folder, network, coat)
    after = photo(sessions, coat)
    assert after.state is PhotoState.READ
    first, second = (Polygon(o[0]) for o in (mended.outline, after.outline))
    assert first.area == pytest.approx(second.area, rel=0.05)


def test_a_stroke_that_leaves_nothing_is_not_kept(coat, sessions, folder):
    with pytest.raises(Refused, match="nothing of the garment"):
        add_stroke(sessions, folder, coat, Stroke(False, ((0.0, 0.5), (1.0, 0.5)), 2.0))
    assert photo(sessions, coat).strokes == ()


def test_another_piece_of_the_same_photo_is_one_of_its_own(coat, sessions, folder, network, client):
    copy = another_piece(sessions, folder, coat)
    third = another_piece(sessions, folder, copy.id)
    assert copy.not_same == (coat,)
    assert third.not_same == (coat, copy.id)
    add_stroke(sessions, folder, copy.id, Stroke(True, ((0.2, 0.2), (0.8, 0.5)), 0.03, box=True))
    read_kept_photo(sessions, folder, network, copy.id)
    upper, whole = photo(sessions, copy.id), photo(sessions, coat)
    assert upper.reading.document["garment"]["share"] < 0.7 * whole.reading.document["garment"]["share"]
    with sessions.begin() as session:
        remove_photo(session, folder, coat)
    assert folder.photo(upper.file).is_file()


def test_what_the_search_does_not_see_can_be_drawn(take, sessions, folder, network):
    room = Image.fromarray(room_picture(Room("wall"), np.random.default_rng(3)))
    id = take(("wall.jpg", encoded(room)))[0].photo.id
    read_kept_photo(sessions, folder, network, id)
    failed = photo(sessions, id)
    assert failed.state is PhotoState.FAILED
    assert "no garment" in failed.problem.what
    assert folder.has_picture(id, "as-shot.jpg")
    add_stroke(sessions, folder, id, Stroke(True, ((0.3, 0.4), (0.7, 0.4), (0.7, 0.6), (0.3, 0.6)), 0.1))
    read_kept_photo(sessions, folder, network, id)
    drawn = photo(sessions, id)
    assert drawn.state is PhotoState.READ
    assert drawn.problem is None
    assert 0.02 < drawn.reading.document["garment"]["share"] < 0.6


def test_a_photo_can_wait(coat, sessions):
    with sessions.begin() as session:
        assert not_now(session, coat).state is PhotoState.NOT_NOW
        assert not_now(session, coat).state is PhotoState.READ


def test_what_is_hung_is_what_was_read_under_the_stylists_word(coat, sessions, client):
    reading = photo(sessions, coat).reading
    with sessions.begin() as session:
        with pytest.raises(Refused, match="nobody has said what it is"):
            hang_photo(session, coat, Word())
        hang_photo(session, coat, Word(category=Category.COAT, bin=Bin.TONE))
    with sessions() as session:
        (hung,) = the_rail(session, client.id)
    assert hung.hung.piece.label == "Navy coat"
    assert hung.sorted.bin is Bin.TONE
    assert not hung.doubtful
    assert np.allclose(hung.hung.piece.lab, [c.lab for c in reading.colours])
    assert photo(sessions, coat).reading == reading


def test_a_word_changes_only_what_it_says(coat, sessions, client):
    with sessions.begin() as session:
        id = hang_photo(session, coat, Word(category=Category.COAT, formality=3)).piece.id
        change_piece(session, id, Word(pattern=PatternType.STRIPE, scale=Scale.SMALL))
        change_piece(session, id, Word(label="The good one"))
    with sessions() as session:
        piece = Pieces(session).get(id).piece
    assert (piece.label, piece.formality, piece.pattern, piece.scale) == (
        "The good one",
        3,
        PatternType.STRIPE,
        Scale.SMALL,
    )
    assert piece.pattern_confidence == 1


def test_a_piece_taken_off_waits_in_the_intake_again(coat, sessions, folder):
    with sessions.begin() as session:
        id = hang_photo(session, coat, Word(category=Category.COAT)).piece.id
        with pytest.raises(Refused, match="hung"):
            remove_photo(session, folder, coat)
        take_off(session, id)
    assert photo(sessions, coat).state is PhotoState.READ


def test_an_erased_client_leaves_no_file(coat, sessions, folder, client, data):
    gone = erase_client(sessions, folder, client.id)
    assert gone.rows["photo"] == 1
    assert len(gone.files) >= 7
    assert gone.left == ()
    left = [p for p in data.rglob("*") if p.is_file() and "sqlite" not in p.name]
    assert [p.name for p in left] == ["erased"]


def test_nothing_of_an_erased_client_stays_in_a_freed_page(coat, sessions, folder, client, data):
    with sessions.begin() as session:
        hang_photo(session, coat, Word(category=Category.COAT, label="Telltale greatcoat of hers"))
    assert any(b"Telltale greatcoat" in p.read_bytes() for p in data.rglob("*sqlite*"))
    erase_client(sessions, folder, client.id)
    for file in data.rglob("*"):
        content = file.read_bytes() if file.is_file() else b""
        for trace in (b"Telltale", client.id.encode(), coat.encode()):
            assert trace not in content, f"{trace} in {file.name}"


def test_who_withdrew_consent_is_not_photographed(sessions, folder, eyes, client):
    with sessions.begin() as session:
        withdraw_consent(session, client.id)
    with pytest.raises(Refused, match="withdrew consent"):
        take_in(sessions, folder, eyes, client.id, [("coat.jpg", coat_photo())])
    assert folder.all_photos() == []
    with sessions.begin() as session:
        assert give_consent(session, client.id, "the spring rail").consent_for == "the spring rail"
    assert take_in(sessions, folder, eyes, client.id, [("coat.jpg", coat_photo())])[0].photo is not None
