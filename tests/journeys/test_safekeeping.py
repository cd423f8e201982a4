"""The stylist looks after what is kept: a backup, what was set aside, a client who goes."""

import json
import re
import zipfile

from playwright.sync_api import expect

from tests.pictures import coat_photo
from tests.running import at, running


def test_a_stylist_makes_a_backup_and_takes_it_away(page, opened, at_demo, demo, tmp_path):
    page.get_by_role("link", name="Studio").click()
    backups = page.get_by_role("region", name="Backups")
    expect(backups).to_contain_text("None was made yet")
    backups.get_by_role("button", name="Make one now").click()
    expect(backups).to_contain_text("Made:")
    expect(backups).to_contain_text("read again and whole")
    backups.get_by_text("1 backup").click()
    with page.expect_download() as download:
        backups.get_by_role("link", name=re.compile("^by-hand")).click()
    download.value.save_as(tmp_path / "taken.zip")
    with zipfile.ZipFile(tmp_path / "taken.zip") as archive:
        assert archive.testzip() is None
        assert len(json.loads(archive.read("manifest.json"))["clients"]) == 3
    backups.get_by_role("button", name="Keep them elsewhere").click()
    backups.get_by_label("Folder for backups").fill(str(demo / "inside"))
    backups.get_by_role("button", name="Keep them there").click()
    expect(page.get_by_role("alert")).to_contain_text("lost with it")
    page.get_by_role("button", name="All right").click()
    backups.get_by_role("button", name="Keep them elsewhere").click()
    backups.get_by_label("Folder for backups").fill(str(tmp_path / "disk"))
    backups.get_by_role("button", name="Keep them there").click()
    expect(backups).to_contain_text(str(tmp_path / "disk"))


def test_what_was_set_aside_is_taken_in_or_deleted_by_word(page, demo):
    (demo / "photos/lost-1.jpg").write_bytes(coat_photo())
    (demo / "photos/lost-2.jpg").write_bytes(coat_photo(lab=(50, 40, 30)))
    with running("demo", demo) as url:
        page.goto(at(url, "studio"))
        aside = page.get_by_role("region", name="Set aside")
        expect(aside.get_by_role("listitem")).to_have_count(2)
        aside.get_by_role("checkbox", name=re.compile("^photo")).first.click()
        aside.locator(".whose").click()
        page.get_by_text("Tobe Arrun").last.click()
        aside.get_by_role("button", name="Take 1 in again").click()
        expect(page.get_by_text("1 photo taken in again.").last).to_be_visible()
        expect(aside.get_by_role("listitem")).to_have_count(1)
        aside.get_by_role("checkbox", name="all of them").click()
        aside.get_by_role("button", name="Delete 1").click()
        expect(aside).to_contain_text("They go for good.")
        aside.get_by_role("group", name="Delete for good?").get_by_role("button", name="Delete 1").click()
        expect(aside).to_have_count(0)
        page.goto("about:blank")
    assert not list((demo / "aside").rglob("*.jpg"))


def test_an_erased_client_is_in_no_backup_of_the_days(page, opened, demo):
    page.get_by_role("link", name="Studio").click()
    kept = page.get_by_role("region", name="Kept on this machine")
    expect(kept.get_by_role("row")).to_have_count(4)
    page.get_by_role("region", name="Backups").get_by_role("button", name="Make one now").click()
    expect(page.get_by_role("region", name="Backups")).to_contain_text("Made:")
    kept.get_by_role("link", name="Tobe Arrun").click()
    page.get_by_role("button", name="Erase", exact=True).click()
    page.get_by_role("button", name="Erase Tobe Arrun").click()
    expect(page.get_by_role("heading", name="Tobe Arrun is erased")).to_be_visible()
    expect(page.get_by_text("nothing is left")).to_be_visible()
    expect(page.get_by_role("alert")).to_contain_text("by-hand")


def test_without_the_key_the_page_says_what_to_do(page, at_demo):
    answer = page.goto(at_demo.split("?")[0])
    assert answer.status == 401
    expect(page.get_by_role("heading", name="This page needs its key")).to_be_visible()
    page.goto(at_demo)
    expect(page.get_by_role("heading", name="Ilka Maren")).to_be_visible()
    assert "key=" not in page.url
    page.goto(at_demo.split("?")[0])
    expect(page.get_by_role("heading", name="Ilka Maren")).to_be_visible()
