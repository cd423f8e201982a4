"""Looks are judged, kept and let go."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import cache
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.look.dressing.considered import Effect, consider
from lucid_swatch.core.look.dressing.mends import Mend, missing_colours
from lucid_swatch.core.look.kept_look import KeptLook, LookParticulars, PastVerdict
from lucid_swatch.core.look.look import Conventions, Intent
from lucid_swatch.core.look.remarks.held_back import HeldBack, held_back
from lucid_swatch.core.look.remarks.note import Note
from lucid_swatch.core.look.remarks.sense import sense_notes
from lucid_swatch.core.look.remarks.stitches import Stitch
from lucid_swatch.core.look.scorer.weights import sentence_of, standard_weights
from lucid_swatch.core.look.theme import Carried, carried
from lucid_swatch.core.look.verdict import Verdict, judge, wholes
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.going import Going
from lucid_swatch.store.looks import Looks

from .changes import recorded
from .wardrobe import USUAL, Setting, wardrobe_of


@dataclass(frozen=True, slots=True)
class Judged:
    """A look with all that the screen says of it."""

    verdict: Verdict
    mends: list[Mend]
    effects: dict[str, Effect]
    """What each piece of the rail would do, by piece id."""
    stitches: list[Stitch]
    band: tuple[float, float] | None
    """L* from the darkest to the lightest of the client's skin, hair and eyes."""
    held_back: list[HeldBack]
    notes: list[Note]
    """What there is to think of beside colour; what was waved away is left out."""
    conventions: Conventions
    """The school that judged."""
    carried: Carried | None
    """How far it carries its theme; None without one."""


def judge_pieces(
    session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None = None, setting: Setting = USUAL
) -> Judged:
    """The verdict on some pieces of a client's rail, and what every other piece would do to it.

    NotThere, naming it, when a piece is not on the rail; Refused without any."""
    loaded = wardrobe_of(session, client_id, setting)
    look = replace(loaded.look(piece_ids, intent), meant=setting.meant, theme=setting.theme)
    found = consider(look)
    weights = standard_weights().moved(look.conventions.tastes)
    notes = [note for note in sense_notes(look.worn, loaded.day) if note.key not in loaded.client.dismissed]
    return Judged(
        found.verdict,
        found.mends,
        found.effects,
        found.stitches,
        band_of(look.client),
        held_back(found.verdict, weights, intent, sentences()),
        notes,
        look.conventions,
        None if look.theme is None else carried(look.worn, look.theme),
    )


def colours_missing(
    session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None, setting: Setting
) -> list[Mend]:
    """The colours in which a piece of a look would help most, really scored. NotThere when a piece is not on the rail."""
    look = wardrobe_of(session, client_id, setting).look(piece_ids, intent)
    return missing_colours(replace(look, meant=setting.meant))


def dismiss(session: Session, client_id: str, key: str, again: bool = False) -> None:
    """Waves a note on a look away for this client, or lets it speak again."""
    others = tuple(one for one in Clients(session).get(client_id).dismissed if one != key)
    now = others if again else (*others, key)
    Clients(session).change(client_id, lambda client: replace(client, dismissed=now))


def band_of(face: Client | None) -> tuple[float, float] | None:
    """From the darkest to the lightest of skin, hair and eyes, L*; None with fewer than two of them."""
    parts = [] if face is None else [float(lab[0]) for lab in (face.skin, face.hair, face.eyes) if lab is not None]
    return (min(parts), max(parts)) if len(parts) > 1 else None


def keep_look(
    session: Session,
    client_id: str,
    name: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None = None,
    particulars: LookParticulars | None = None,
) -> KeptLook:
    """Keeps a look. Refused without a name; what is not on the rail is named."""
    look = KeptLook(uuid4().hex, client_id, _named(name), piece_ids, datetime.now(UTC), intent)
    look = _with(session, look, particulars)
    Looks(session).add(look)
    return look


def change_look(
    session: Session,
    id: str,
    name: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None,
    particulars: LookParticulars | None = None,
) -> KeptLook:
    """Writes a kept look again."""
    look = replace(Looks(session).get(id), name=_named(name), piece_ids=piece_ids, intent=intent)
    look = _with(session, look, particulars)
    return Looks(session).change(id, lambda before: look)


def let_look_go(session: Session, folder: Folder, id: str) -> int | None:
    """Lets a look go, which can be taken back; its photo goes for good. The number of the change."""
    look = Looks(session).get(id)
    with recorded(session, look.client_id, f"let the look '{look.name}' go") as change:
        change.touches("look", id)
        Looks(session).remove(id)
    Going(session, folder).pictures(id)
    return change.number


def _named(name: str) -> str:
    if not name.strip():
        raise Refused("the look has no name.", "name", "Write what it is for, such as 'Tuesday rehearsal'.")
    return name.strip()


def _with(session: Session, look: KeptLook, particulars: LookParticulars | None) -> KeptLook:
    """A look with what is known about it, and with the verdict that stood on the day under this version of the weights."""
    if particulars is not None:
        # which photo there is follows from what was sent, not from what is said
        look = replace(look, particulars=replace(particulars, photo=look.particulars.photo))
    verdict = _verdict_on(session, look)
    today = PastVerdict(verdict.weights, verdict.overall, datetime.now(UTC).date())
    earlier = tuple(one for one in look.verdicts if one.weights != verdict.weights)
    if look.particulars.parent is not None:
        _check_parent(session, look, look.particulars.parent)
    return replace(look, verdicts=(*earlier, today))


def _verdict_on(session: Session, look: KeptLook) -> Verdict:
    """The verdict on a look that is being kept. Refused without a piece; NotThere when one is not on the rail."""
    loaded = wardrobe_of(session, look.client_id)
    loaded.look(look.piece_ids)
    if not look.piece_ids:
        raise Refused("the look has no piece.", look.name, "Add at least one piece.")
    return judge([loaded.kept(look)])[0]


def _check_parent(session: Session, look: KeptLook, parent: str) -> None:
    if parent == look.id:
        raise Refused("a look cannot be a variation of itself.", look.name, "Keep it as another one.")
    if Looks(session).get(parent).client_id != look.client_id:
        raise Refused("this look belongs to another client.", parent, "Load the page again.")


@cache
def sentences() -> dict[str, str]:
    """What each rule is about, by name."""
    return {name: sentence_of(name) for name in standard_weights().points}


def overall_of(session: Session, client_id: str, looks: list[KeptLook]) -> dict[str, float]:
    """The whole of each kept look, by look id, all in one batch."""
    if not looks:
        return {}
    loaded = wardrobe_of(session, client_id)
    found = wholes([loaded.kept(look) for look in looks])
    return {look.id: float(whole) for look, whole in zip(looks, found, strict=True)}
