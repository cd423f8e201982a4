"""The application as a person starts it, in a process of its own, and a browser to look at it."""

import os
import re
import selectors
import signal
import subprocess
import sys
import time
from contextlib import contextmanager
from pathlib import Path

import httpx
from playwright.sync_api import sync_playwright

COMMAND = Path(sys.executable).with_name("lucid-swatch")
CHROMIUM = "/usr/bin/chromium"
CHROMIUM_OPTIONS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--force-color-profile=srgb",
]
STARTS_WITHIN = 240


@contextmanager
def running(command, data, **settings):
    """Starts `lucid-swatch COMMAND` on a data folder and gives its address; ends it afterwards."""
    environment = environment_for(command, data, **settings)
    process = subprocess.Popen(
        [COMMAND, command, "--port", "0"], env=environment, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True
    )
    try:
        yield wait_for_address(process)
    finally:
        process.send_signal(signal.SIGINT)
        try:
            process.wait(30)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait()


def environment_for(command, data, **settings):
    """What tells a command where its data lies."""
    names = {"demo": "LUCID_SWATCH_DEMO_DATA", "serve": "LUCID_SWATCH_DATA"}
    return {**os.environ, names[command]: str(data), **settings}


def wait_for_address(process):
    """Reads what the command prints until the address is there."""
    selector = selectors.DefaultSelector()
    selector.register(process.stdout, selectors.EVENT_READ)
    end = time.monotonic() + STARTS_WITHIN
    while time.monotonic() < end and process.poll() is None:
        if selector.select(1):
            line = process.stdout.readline()
            found = address_in(line)
            if found:
                return found
    raise AssertionError("the application did not start")


def address_in(printed):
    """The address among what the command prints, whole; none where it is not there yet."""
    found = re.search(r"(http://[\d.]+:\d+/\?key=[\w-]+)\s", printed)
    return found and found[1]


def at(address, path):
    """The address of a page, with the key of the one that was printed."""
    return address.replace("/?", f"/{path}?")


def asking(address, **options):
    """A client for the address that was printed, with its key."""
    place, key = address.split("/?key=")
    return httpx.Client(base_url=place, headers={"authorization": f"Bearer {key}"}, **{"timeout": 60} | options)


@contextmanager
def browser():
    """Debian's Chromium, without a screen."""
    with sync_playwright() as playwright:
        chromium = playwright.chromium.launch(executable_path=CHROMIUM, args=CHROMIUM_OPTIONS)
        try:
            yield chromium
        finally:
            chromium.close()


def pick(page, label, option):
    """Chooses from a list by its name, as a person does who types to find it."""
    field = page.get_by_label(label, exact=True)
    field.click()
    field.fill(option)
    page.locator(".n-base-select-option:visible", has_text=option).first.click()
