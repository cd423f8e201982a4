"""What may be bought: noted, weighed, bought with all that is known of it, taken back, or let go without a trace."""

from dataclasses import replace
from datetime import date

import pytest

from lucid_swatch.core.client.about import About, Refusals
from lucid_swatch.core.garment.vocabulary import Category, PatternType, Undertone
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.buying.candidate import SCREEN, Source
from lucid_swatch.core.look.buying.consider import PlainWord
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoState
from lucid_swatch.usecases import candidates
from lucid_swatch.usecases.buying import answer, judge, map_of, missing, missing_pair, shopping_card, together
from lucid_swatch.usecases.candidates import (
    add_candidate,
    add_pictures,
    buy,
    change_candidate,
    let_candidate_go,
    seen_change,
    weighed,
    wish_list,
)
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.clients import withdraw_consent
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.faces import set_by_eye
from lucid_swatch.usecases.figures import Asked, draw_looks
from lucid_swatch.usecases.intake import remove_photo, share_light
from lucid_swatch.usecases.rail import hang_photo, take_off
from lucid_swatch.usecases.reading_photos import read_kept_photo
from lucid_swatch.usecases.rereading import ask_again
from lucid_swatch.usecases.rooms import rooms_of
from tests.core.look.making.rails import RAIL
from tests.pictures import coat_photo
from tests.usecases.rails import NOW, a_client

CAMEL, LIME = (58.0, 11.0, 27.0), (82.0, -40.0, 72.0)
TROUSERS = Word(category=Category.TROUSERS)


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        for piece in RAIL:
            Pieces(session).add(HungPiece(piece, client, NOW))
    return client


@pytest.fixture
def coat(sessions, folder, eyes, network, maren):
    """The id of a candidate whose photo was read."""
    return pictured(sessions, folder, eyes, network, maren, Source.PHOTO)


def pictured(sessions, folder, eyes, network, client, source):
    taken = add_pictures(sessions, folder, eyes, client, [("coat.jpg", coat_photo())], source)
    read_kept_photo(sessions, folder, network, taken[0].photo.id)
    with sessions.begin() as session:
        id = Candidates(session).of_photo(taken[0].photo.id).id
        change_candidate(session, id, Word(category=Category.COAT, label="Shop coat"))
    return id


def by_eye(sessions, client, lab=CAMEL, word=TROUSERS):
    with sessions.begin() as session:
        return add_candidate(session, client, Source.EYE, word, [lab]).id


def test_a_candidate_is_never_on_the_rail_and_its_photo_never_in_the_intake(sessions, coat, maren, folder):
    with sessions.begin() as session:
        photo = Candidates(session).get(coat).photo_id
        assert len(Pieces(session).of_client(maren)) == len(RAIL)
        assert Photos(session).of_wardrobe(maren) == []
        assert Photos(session).waiting(maren) == 0
        assert rooms_of(session, maren) == []
        assert ask_again(session, maren) == []
        assert share_light(session, photo) == []
        with pytest.raises(Refused, match="may be bought"):
            hang_photo(session, photo, Word(category=Category.COAT))
        with pytest.raises(Refused, match="may be bought"):
            remove_photo(session, folder, photo)


def test_what_is_bought_hangs_with_its_photo_its_price_and_its_word(sessions, coat, maren):
    with sessions.begin() as session:
        told = ParticularsDocument.model_validate({"price": 240, "size": "38", "note": "two buttons"})
        change_candidate(session, coat, None, told, "the market")
        photo = Candidates(session).get(coat).photo_id
        hung = buy(session, coat, on=date(2031, 6, 1))
    with sessions() as session:
        kept = Pieces(session).get(hung.piece.id)
        assert (kept.piece.label, kept.piece.category, kept.photo_id) == ("Shop coat", Category.COAT, photo)
        assert kept.piece.seen.sleeve or kept.piece.seen.length, "its cut came along"
        assert (kept.particulars.price, kept.particulars.size) == (240, "38")
        assert kept.particulars.bought_on == date(2031, 6, 1)
        assert kept.particulars.note == "two buttons. from the market"
        assert Photos(session).get(photo).state is PhotoState.HUNG
        assert Candidates(session).of_client(maren) == []


def test_buying_is_taken_back_and_done_again(sessions, coat, maren):
    with sessions.begin() as session:
        before = Candidates(session).get(coat)
        bought = buy(session, coat).piece.id
    with sessions.begin() as session:
        assert undo(session, maren).told == "bought shop coat"
        assert Candidates(session).get(coat) == before
        assert Photos(session).get(before.photo_id).state is PhotoState.READ
        assert Photos(session).of_wardrobe(maren) == []
        with pytest.raises(NotThere):
            Pieces(session).get(bought)
    with sessions.begin() as session:
        redo(session, maren)
        assert Pieces(session).get(bought).photo_id == before.photo_id
        assert Candidates(session).of_client(maren) == []
    with sessions.begin() as session:
        take_off(session, bought)
        assert [one.id for one in Photos(session).of_wardrobe(maren)] == [before.photo_id], "it waits in the intake"


def test_what_is_said_of_a_candidate_is_taken_back_word_by_word(sessions, maren):
    id = by_eye(sessions, maren)
    with sessions.begin() as session:
        change_candidate(session, id, Word(pattern=PatternType.STRIPE), colours=[CAMEL, LIME])
        change_candidate(session, id, Word(label="Deck trousers"))
    with sessions.begin() as session:
        assert weighed(session, Candidates(session).get(id)).hung.piece.label == "Deck trousers"
        assert undo(session, maren).told == "deck trousers: noted before buying"
        undo(session, maren)
        piece = weighed(session, Candidates(session).get(id)).hung.piece
        assert (piece.label, piece.pattern, len(piece.lab)) == ("Tan trousers", PatternType.SOLID, 1)


def test_one_that_is_let_go_leaves_nothing(sessions, folder, coat, maren, data):
    with sessions.begin() as session:
        buy(session, coat)
    with sessions.begin() as session:
        undo(session, maren)
        photo = Photos(session).get(Candidates(session).get(coat).photo_id)
        let_candidate_go(session, folder, coat)
    with sessions() as session:
        assert Candidates(session).of_client(maren) == []
        assert Photos(session).of_client(maren) == []
        assert not [one for one in Journal(session).of_client(maren) if "coat" in one.told]
    assert not folder.photo(photo.file).exists()
    assert photo.id not in {path.name for path in folder.all_owners()}
    with sessions.begin() as session, pytest.raises(Refused, match="nothing to do again"):
        redo(session, maren)


def test_an_erased_client_takes_the_candidates_along(sessions, folder, coat, maren):
    gone = erase_client(sessions, folder, maren)
    assert (gone.rows["candidate"], gone.rows["photo"], gone.left) == (1, 1, ())


def test_a_picture_off_a_screen_is_known_less_and_its_answer_is_a_range(sessions, folder, eyes, network, maren, coat):
    screen = pictured(sessions, folder, eyes, network, maren, Source.SCREEN)
    with sessions() as session:
        seen, shown = (answer(session, id).on_rail.known.uncertainty[0] for id in (coat, screen))
        assert shown == pytest.approx((seen**2 + SCREEN**2) ** 0.5)
        told = answer(session, screen).told
        assert told.opens_within[1] >= told.opens >= told.opens_within[0]


def test_too_little_known_is_said_and_not_guessed(sessions, folder, eyes, maren):
    taken = add_pictures(sessions, folder, eyes, maren, [("coat.jpg", coat_photo()), ("bad.jpg", b"no picture")])
    assert [one.problem is None for one in taken] == [True, False]
    with sessions.begin() as session:
        (waiting,) = wish_list(session, maren)
        assert waiting.hung is None
        with pytest.raises(Refused, match="the picture is waiting"):
            answer(session, waiting.candidate.id)
        with pytest.raises(Refused, match="nobody has said what it is"):
            add_candidate(session, maren, Source.EYE, Word(), [CAMEL])
        with pytest.raises(Refused, match="which colour"):
            add_candidate(session, maren, Source.EYE, TROUSERS, [])
        with pytest.raises(Refused, match="promised"):
            add_candidate(session, maren, Source.PHOTO, TROUSERS, [CAMEL])
        with pytest.raises(Refused, match="comes from its picture"):
            change_candidate(session, waiting.candidate.id, colours=[CAMEL])


def test_nobody_is_photographed_against_their_will(sessions, folder, eyes, maren):
    with sessions.begin() as session:
        withdraw_consent(session, maren)
    with pytest.raises(Refused, match="consent"):
        add_pictures(sessions, folder, eyes, maren, [("coat.jpg", coat_photo())])
    assert folder.all_photos() == []


def test_a_list_has_an_end_and_a_picture_too_many_is_not_kept(sessions, folder, eyes, maren, monkeypatch):
    monkeypatch.setattr(candidates, "MOST", 1)
    by_eye(sessions, maren)
    with sessions.begin() as session, pytest.raises(Refused, match="Let some of them go"):
        add_candidate(session, maren, Source.EYE, TROUSERS, [CAMEL])
    with pytest.raises(Refused, match="Let some of them go"):
        add_pictures(sessions, folder, eyes, maren, [("coat.jpg", coat_photo())])
    assert folder.all_photos() == []


def test_the_wish_list_is_judged_anew_and_says_what_changed(sessions, maren):
    id = by_eye(sessions, maren)
    with sessions.begin() as session:
        first = judge(session, id)
        assert first.candidate.before is None
    with sessions.begin() as session:
        for shoes in ("tan shoes", "navy shoes"):
            take_off(session, shoes)
        now = judge(session, id)
        assert now.told.word is PlainWord.LEAVE, "no look is whole without shoes"
        before = now.candidate.before
        assert (before.word, before.opens, before.pieces) == (first.told.word, first.told.opens, len(RAIL))
        assert seen_change(session, id).before is None
        assert judge(session, id).candidate.before is None


def test_what_the_client_refuses_or_cannot_bear_is_left(sessions, maren):
    with sessions.begin() as session:
        about = About(refuses=Refusals(colours=("tan",)), allergies=("nickel",))
        Clients(session).change(maren, lambda now: replace(now, about=about))
    camel, grey = by_eye(sessions, maren), by_eye(sessions, maren, (52.0, 0.0, -2.0))
    with sessions.begin() as session:
        assert answer(session, camel).told.word is PlainWord.LEAVE
        assert answer(session, grey).told.word is not PlainWord.LEAVE
        change_candidate(session, grey, None, ParticularsDocument.model_validate({"note": "nickel buttons"}))
        assert answer(session, grey).told.because[0].startswith("The client will not wear it")
        assert all("tan" not in one.gap.name for one in missing(session, maren, [Category.KNIT, Category.TROUSERS]))


def test_its_price_is_told_by_the_wear(sessions, maren):
    id = by_eye(sessions, maren)
    with sessions.begin() as session:
        assert answer(session, id).cost is None
        change_candidate(session, id, None, ParticularsDocument.model_validate({"price": 120}))
        found = answer(session, id).cost
        assert (found.wears, found.a_wear) == (0, 1.0)


def test_two_are_weighed_together_and_one_not_with_itself(sessions, maren):
    knit = by_eye(sessions, maren, (78.0, 3.0, 12.0), Word(category=Category.KNIT))
    trousers = by_eye(sessions, maren)
    with sessions.begin() as session:
        both = together(session, maren, trousers, knit)
        assert both.first == answer(session, trousers).told.opens
        assert both.second == answer(session, knit).told.opens
        with pytest.raises(Refused, match="twice"):
            together(session, maren, knit, knit)
        other = a_client(session, "Tilde")
        with pytest.raises(NotThere):
            together(session, other, trousers, knit)


def test_looks_with_a_candidate_are_drawn_and_those_of_another_client_are_not(sessions, folder, maren):
    id = by_eye(sessions, maren)
    with sessions.begin() as session:
        look = answer(session, id).told.looks[0]
        assert id in look.piece_ids
        (drawn,) = draw_looks(session, folder, maren, [Asked(look.piece_ids)])
        assert set(drawn.hung) == set(look.piece_ids)
        other = a_client(session, "Tilde")
        with pytest.raises(NotThere):
            draw_looks(session, folder, other, [Asked((id,))])


def test_what_is_missing_suits_and_two_are_told_that_belong_together(sessions, maren):
    with sessions.begin() as session:
        Clients(session).change(maren, lambda now: replace(now, undertone=Undertone.WARM))
        found = missing(session, maren, [Category.TROUSERS, Category.SKIRT])
        assert found
        assert found == missing(session, maren, [Category.TROUSERS, Category.SKIRT])
        pair = missing_pair(session, maren, [one.gap for one in found])
        assert pair.both > 0
        bare = a_client(session, "Tilde")
        assert missing(session, bare, [Category.TROUSERS]) == ()
        assert missing_pair(session, bare, []) is None


def test_the_map_holds_the_rail_and_what_the_client_may_wear_once_that_is_known(sessions, maren):
    with sessions.begin() as session:
        assert not len(map_of(session, maren).wanted)
        set_by_eye(session, maren, "skin", (66.0, 8.0, 12.0))
        Clients(session).change(maren, lambda now: replace(now, undertone=Undertone.COOL))
        found = map_of(session, maren)
        assert {one.piece.id for one in found.rail} == {piece.id for piece in RAIL}
        assert len(found.wanted) > 50
        assert found.told.clusters[0].name == "navy"


def test_the_card_says_whose_it_is_to_nobody(sessions, maren):
    id = by_eye(sessions, maren, word=Word(category=Category.TROUSERS, label="For Maren's birthday"))
    with sessions() as session:
        card = shopping_card(answer(session, id))
    assert card.title == "tan trousers"
    assert "Maren" not in str(card)
    assert len(card.partners) >= 2
