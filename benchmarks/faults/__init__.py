"""Faults on purpose: an application under test that can be killed, and a disk that can be full or slow."""

import os
import signal
import subprocess
import time
from pathlib import Path

from tests.running import COMMAND, asking, environment_for, wait_for_address

HERE = Path(__file__).parent
FULL, SLOW, WELL = b"F", b"S", b" "


class Application:
    """`lucid-swatch serve` on a data folder, started again whenever it was killed."""

    def __init__(self, data, place, **settings):
        """place: a folder for what the faults need; none leaves the disk as it is."""
        self.data, self.process, self.address = Path(data), None, None
        self.environment = environment_for("serve", data, **settings)
        self.switch = None
        self.log = Path(place) / "server.log"
        self.switch = Path(place) / "switch"
        self.switch.write_bytes(WELL)
        library = Path(place) / "disk.so"
        subprocess.run(["gcc", "-O2", "-shared", "-fPIC", "-o", library, HERE / "disk.c", "-ldl"], check=True)
        self.environment |= {
            "LD_PRELOAD": str(library),
            "FAULTS_SWITCH": str(self.switch),
            "FAULTS_FOLDER": str(self.data.resolve()),
        }

    def start(self):
        """Starts it and waits for its address."""
        log = self.log.open("ab")
        self.process = subprocess.Popen(
            [COMMAND, "serve", "--port", "0"],
            env=self.environment,
            stdout=subprocess.PIPE,
            stderr=log,
            text=True,
            start_new_session=True,
        )
        log.close()
        self.address = wait_for_address(self.process)
        return self

    def kill(self):
        """Ends it at once, as a power cut does; its reading processes follow by themselves."""
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()
        self.process.stdout.close()

    def end(self):
        """Ends it as Ctrl+C does; answers the seconds that took."""
        start = time.perf_counter()
        self.process.send_signal(signal.SIGINT)
        self.process.wait(60)
        self.process.stdout.close()
        return time.perf_counter() - start

    def http(self, **options):
        """A client of it."""
        return asking(self.address, **options)

    def disk(self, fault):
        """Makes the disk full, slow or well."""
        with self.switch.open("r+b") as file:
            file.write(fault)

    def readers(self):
        """The process ids of its reading processes."""
        found = []
        for entry in Path("/proc").iterdir():
            if not entry.name.isdigit():
                continue
            try:
                status = (entry / "stat").read_text().rsplit(")", 1)[1].split()
                if int(status[1]) == self.process.pid and b"spawn_main" in (entry / "cmdline").read_bytes():
                    found.append(int(entry.name))
            except OSError:
                continue
        return found

    def kill_a_reader(self):
        """Ends one of its reading processes, if there is one."""
        for pid in self.readers()[:1]:
            try:
                os.kill(pid, signal.SIGKILL)
            except ProcessLookupError:
                continue
