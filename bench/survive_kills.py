"""Saves in a loop while the application server and PostgreSQL are killed with SIGKILL, turn and turn about.

After each restart every acknowledged save must be there, whole. ``python bench/survive_kills.py [--rounds N]``
Uses a cluster of its own, .cluster/kills, with the same settings as the application's.
"""

import argparse
import http.cookiejar
import json
import os
import random
import signal
import socket
import subprocess
import sys
import threading
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
PASSWORD = "only-for-this-bench"
BASH = ["bash", "-euc"]
POSTGRES = f'ROOT="{ROOT}"; . scripts/postgres.sh; '


def shell(script: str, environment: dict[str, str]) -> str:
    return subprocess.run(
        [*BASH, POSTGRES + script], cwd=ROOT, env=environment, check=True, stdout=subprocess.PIPE, text=True
    ).stdout.strip()


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


class Application:
    """The database and the server, started as ./start starts them, and killable."""

    def __init__(self) -> None:
        self.environment = {**os.environ, "FERNBACK_SECRET_KEY": "bench", "OPENBLAS_NUM_THREADS": "1"}
        self.port = free_port()
        self.server: subprocess.Popen[bytes] | None = None

    def start_database(self) -> None:
        script = 'pg_start kills >&2; pg_database fernback >&2; echo "$FERNBACK_DB_PORT $FERNBACK_DB_SOCKET $PG_HOME"'
        port, socket_folder, self.home = shell(script, self.environment).split()
        self.environment |= {"FERNBACK_DB_PORT": port, "FERNBACK_DB_SOCKET": socket_folder}

    def manage(self, *arguments: str) -> None:
        subprocess.run([sys.executable, "server/manage.py", *arguments], cwd=ROOT, env=self.environment, check=True)

    def start_server(self) -> None:
        command = [sys.executable, "-m", "gunicorn", "fernback.wsgi", "--chdir", "server", "--workers", "2"]
        bind = ["--bind", f"127.0.0.1:{self.port}", "--no-control-socket", "--log-level", "critical"]
        self.server = subprocess.Popen(
            [*command, *bind], cwd=ROOT, env=self.environment, start_new_session=True, stderr=subprocess.DEVNULL
        )
        for _ in range(200):
            try:
                with urllib.request.urlopen(f"http://127.0.0.1:{self.port}/api/session", timeout=20):
                    return
            except OSError:
                time.sleep(0.05)
        raise SystemExit("the server did not start")

    def kill_server(self) -> None:
        if self.server:
            os.killpg(self.server.pid, signal.SIGKILL)
            self.server.wait()

    def kill_database(self) -> None:
        pid = shell(f"pg_as head -n 1 '{self.home}/data/postmaster.pid'", self.environment)
        os.kill(int(pid), signal.SIGKILL)


class Saver:
    """A person's browser that saves again and again, and remembers what was acknowledged."""

    def __init__(self, port: int) -> None:
        self.base = f"http://127.0.0.1:{port}/api"
        self.jar = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))
        self.acknowledged: dict[int, str] = {}
        self.stop = threading.Event()

    def call(self, path: str, body: Any = None) -> Any:
        token = next((cookie.value for cookie in self.jar if cookie.name == "csrftoken"), "") or ""
        data = None if body is None else json.dumps(body).encode()
        headers = {"Content-Type": "application/json", "X-CSRFToken": token}
        with self.opener.open(urllib.request.Request(self.base + path, data, headers), timeout=10) as answer:
            return json.load(answer)

    def sign_in(self) -> None:
        self.call("/session")
        self.call("/session", {"username": "fabricator", "password": PASSWORD})
        self.job = next(job["id"] for job in self.call("/jobs") if job["name"] == "Wren")
        self.sheets = self.call(f"/jobs/{self.job}")["version"]["sheets"]

    def save_until_stopped(self) -> None:
        while not self.stop.is_set():
            try:
                newest = self.call(f"/jobs/{self.job}")["version"]["number"]
                mark = f"save {random.getrandbits(40):x}"
                self.sheets["brief"]["notes"] = mark
                saved = self.call(f"/jobs/{self.job}/versions", {"based_on": newest, "sheets": self.sheets})
                self.acknowledged[saved["number"]] = mark
            except (urllib.error.URLError, ConnectionError, TimeoutError, json.JSONDecodeError):
                time.sleep(0.02)  # killed under us: not acknowledged, so not counted

    def lost(self) -> list[int]:
        """Acknowledged saves that are not there, or not as they were saved."""
        gone = []
        for number, mark in self.acknowledged.items():
            version = self.call(f"/jobs/{self.job}/versions/{number}")
            if version["sheets"]["brief"]["notes"] != mark:
                gone.append(number)
        return gone


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--rounds", type=int, default=6)
    rounds = parser.parse_args().rounds
    application = Application()
    application.start_database()
    application.manage("migrate", "--verbosity", "0")
    application.manage("flush", "--no-input", "--verbosity", "0")
    application.manage("load_demo", "--password", PASSWORD)
    application.start_server()
    saver = Saver(application.port)
    saver.sign_in()
    saving = threading.Thread(target=saver.save_until_stopped)
    saving.start()
    for turn in range(rounds):
        time.sleep(random.uniform(1.0, 2.5))
        victim = "server" if turn % 2 == 0 else "database"
        if victim == "server":
            application.kill_server()
        else:
            application.kill_database()
            application.kill_server()
            application.start_database()
        application.start_server()
        print(f"round {turn + 1}: killed the {victim}; {len(saver.acknowledged)} saves acknowledged so far", flush=True)
    time.sleep(1)
    saver.stop.set()
    saving.join()
    lost = saver.lost()
    application.kill_server()
    shell(f"PG_HOME='{application.home}'; pg_stop", application.environment)
    print(f"{len(saver.acknowledged)} saves acknowledged, {len(lost)} lost {lost or ''}")
    sys.exit(1 if lost or not saver.acknowledged else 0)


if __name__ == "__main__":
    main()
