"""The audit of a rail, its palettes, its neighbours and the studio's own borders."""

from datetime import timedelta

import pytest
import sqlalchemy as sa

from lucid_swatch.core.garment.kin import Kin
from lucid_swatch.core.garment.vocabulary import Bin, Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.palette import Palette, PaletteColour
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.tables import ChangeRow
from lucid_swatch.usecases.audit import audit, work
from lucid_swatch.usecases.changes import undo
from lucid_swatch.usecases.leanings import kept_leanings, proposals, take_back, take_on
from lucid_swatch.usecases.neighbours import company_of
from lucid_swatch.usecases.palettes import find_colours, fit_palette, keep_palette, let_palette_go
from lucid_swatch.usecases.rail import change_pieces, take_off, the_rail

from .rails import NAVY, NOW, RED, a_client, hang_all, piece


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        yield session


@pytest.fixture
def maren(session):
    client = a_client(session)
    hang_all(session, client)
    return client


def test_the_rail_is_compared_with_the_last_visit(session, maren):
    assert audit(session, maren).since is None
    take_off(session, "navy coat")
    session.execute(sa.update(ChangeRow).values(made_at=ChangeRow.made_at))  # today
    change_pieces(session, maren, ["cream top"], Word(bin=Bin.TONE))
    assert audit(session, maren).before is None  # all of one day
    row = session.scalars(sa.select(ChangeRow).order_by(ChangeRow.id)).first()
    row.made_at = row.made_at - timedelta(days=40)
    session.flush()
    take_off(session, "navy trousers")
    found = audit(session, maren)
    assert found.since == row.made_at
    then, now = ({one.name: one.share for one in made.families} for made in (found.before, found.made))
    assert then["navy"] == pytest.approx(34 / (28 + 28 + 34 + 28 + 5))
    assert "navy" not in now


def test_what_is_let_go_or_does_not_fit_makes_no_looks(session, maren):
    before = work(session, maren)
    change_pieces(
        session, maren, ["tan shoes", "navy trousers"], Word(), ParticularsDocument.model_validate({"fits": False})
    )
    change_pieces(session, maren, ["olive skirt"], Word(), ParticularsDocument.model_validate({"verdict": "let go"}))
    after = work(session, maren)
    assert before.looks == 2 * 2 * 2
    assert after.looks == 0


def test_two_navies_match_and_the_company_is_judged(session, maren):
    company = company_of(session, "navy coat")
    assert [(n.piece.id, n.kin) for n in company.same] == [("navy trousers", Kin.MATCH)]
    named = {p.piece.id for p in company.partners} | {p.piece.id for p in company.fights}
    assert "navy coat" not in named
    Pieces(session).add(HungPiece(piece("brown black", Category.KNIT, [14, 3, 4]), maren, NOW))
    Pieces(session).add(HungPiece(piece("blue black", Category.SKIRT, [15, 0, -4]), maren, NOW))
    assert [n.piece.id for n in company_of(session, "brown black").clashes] == ["blue black"]


def test_the_few_colours_cover_the_cloth_and_say_what_is_out(session, maren):
    colours = find_colours(session, maren, 2, 10)
    fitted = fit_palette(session, maren, colours, 10)
    assert colours[0].name == "navy"
    inside = {one.piece_id for one in fitted.pieces if one.inside}
    assert {"navy coat", "navy trousers"} <= inside
    assert fitted.share == pytest.approx(sum(fitted.covered))
    more = find_colours(session, maren, 3, 10, kept=[PaletteColour(name="red", lab=RED)])
    assert more[0].lab == RED
    assert len(more) == 3
    everything = find_colours(session, maren, 24, 10)
    assert fit_palette(session, maren, everything, 10).share == pytest.approx(1)


def test_a_palette_is_kept_changed_let_go_and_brought_back(session, maren):
    palette = Palette(name="Winter", colours=[PaletteColour(name="navy", lab=NAVY)])
    kept = keep_palette(session, maren, palette, 8)
    keep_palette(session, maren, Palette(name="Spring", colours=palette.colours), 8, kept.id)
    let_palette_go(session, kept.id)
    assert Palettes(session).of_client(maren) == []
    for name in ("Spring", "Winter"):
        undo(session, maren)
        assert [one.name for one in Palettes(session).of_client(maren)] == [name]
    with pytest.raises(Refused, match="no name"):
        keep_palette(session, maren, Palette(colours=palette.colours), 8)
    with pytest.raises(Refused, match="no colour"):
        keep_palette(session, maren, Palette(name="Empty"), 8)
    with pytest.raises(Refused, match="another client"):
        keep_palette(session, a_client(session, "Tobe"), palette, 8, kept.id)
    with pytest.raises(Refused, match="nothing hangs"):
        find_colours(session, a_client(session, "Empty"), 5, 10)


def bin_of(session, client, id):
    return next(one.sorted.bin for one in the_rail(session, client) if one.hung.piece.id == id)


def test_a_border_is_moved_only_when_asked_for_every_client_and_put_back(session, maren):
    other = a_client(session, "Tobe")
    near = [43, -2, 13.6]
    Pieces(session).add(HungPiece(piece("olive scarf", Category.SCARF, near), other, NOW))
    assert bin_of(session, other, "olive scarf") is Bin.WARM_NEUTRAL
    change_pieces(session, maren, ["olive skirt"], Word(bin=Bin.COOL_NEUTRAL))
    assert bin_of(session, other, "olive scarf") is Bin.WARM_NEUTRAL  # nothing learns silently
    asked = proposals(session, maren)[0]
    assert (asked.labels, asked.habit.read, asked.habit.said) == (("olive skirt",), Bin.WARM_NEUTRAL, Bin.COOL_NEUTRAL)
    told = {(m.piece.id, m.client, m.then) for m in asked.moves}
    take_on(session, maren, asked.habit.family, "warm neutral", "cool neutral")
    moved = bin_of(session, other, "olive scarf")
    assert moved is not Bin.WARM_NEUTRAL
    assert told == {("olive scarf", "Tobe", moved.value)}
    assert kept_leanings(session)[0].told.endswith("hangs with the cool neutrals, not with the warm neutrals")
    assert Clients(session).get(other).conventions.leanings == Clients(session).get(maren).conventions.leanings
    take_back(session, maren, 0)
    assert bin_of(session, other, "olive scarf") is Bin.WARM_NEUTRAL
    undo(session, maren)
    assert len(kept_leanings(session)) == 1
    undo(session, maren)
    assert kept_leanings(session) == ()
    with pytest.raises(NotThere):
        take_back(session, maren, 0)
    with pytest.raises(NotThere):
        take_on(session, maren, "pink", "tone", "print")
