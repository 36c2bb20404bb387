"""Two application servers behind nginx, a primary and a replica, on loopback: what is lost when each is killed.

deploy/prove calls it; PostgreSQL and nginx come from Debian's packages.
"""

import os
import re
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
from pathlib import Path
from statistics import median

from survive_kills import PASSWORD, Saver, free_port

ROOT = Path(__file__).resolve().parents[1]

TRICKLING = 60


def shell(script: str, environment: dict[str, str]) -> str:
    """Run a few lines beside the project's own shell functions."""
    lead = "set -euo pipefail; . scripts/install.sh; . scripts/postgres.sh; install_postgres; "
    done = subprocess.run(["bash", "-c", lead + script], cwd=ROOT, env=environment, capture_output=True, text=True)
    if done.returncode:
        raise SystemExit(f"{script[:100]}\n{done.stdout}{done.stderr}")
    return done.stdout.strip()


class Databases:
    """A primary, and a replica that has every commit before it is acknowledged."""

    def __init__(self, environment: dict[str, str]) -> None:
        self.environment = environment
        started = "pg_start prove-a >&2; echo $FERNBACK_DB_PORT $FERNBACK_DB_SOCKET $PG_HOME"
        self.shell('rm -rf "$(pg_home prove-a)" "$(pg_home prove-b)"')
        self.port_a, self.socket_a, self.home_a = self.shell(f"{started}; pg_database fernback >&2").split()
        self.port_b = str(free_port())
        self.home_b = self.home_a.replace("prove-a", "prove-b")
        self.socket_b = f"{self.home_b}/socket"
        self.shell(
            f"pg_as mkdir -m 700 -p {self.home_b} {self.socket_b}; "
            f'pg_as "$PG_BIN/pg_basebackup" -h {self.socket_a} -p {self.port_a} -U postgres '
            f"-D {self.home_b}/data -R -X stream --checkpoint=fast"
        )
        options = f"-c listen_addresses= -c port={self.port_b} -c unix_socket_directories={self.socket_b}"
        self.shell(f"pg_as \"$PG_BIN/pg_ctl\" -D {self.home_b}/data -l {self.home_b}/log -o '{options}' -w start >&2")
        # Set once the replica has been copied, so that it does not wait for one itself when it is promoted.
        where = f"FERNBACK_DB_SOCKET={self.socket_a}; FERNBACK_DB_PORT={self.port_a}"
        ask = "ALTER SYSTEM SET synchronous_standby_names = '*'"
        self.shell(f'{where}; pg_ask postgres "{ask}"; pg_ask postgres "SELECT pg_reload_conf()"')
        state = "SELECT count(*) FROM pg_stat_replication WHERE sync_state = 'sync'"
        for _ in range(100):
            if self.shell(f'{where}; pg_ask postgres "{state}"') == "1":
                return
            time.sleep(0.1)
        raise SystemExit("the replica does not follow")

    def shell(self, script: str) -> str:
        return shell(script, self.environment)

    def kill_primary(self) -> None:
        pid = self.shell(f"pg_as head -n 1 {self.home_a}/data/postmaster.pid")
        os.kill(int(pid), signal.SIGKILL)

    def promote(self) -> None:
        self.shell(f'pg_as "$PG_BIN/pg_ctl" -D {self.home_b}/data -w promote >&2')

    def stop(self) -> None:
        for home in (self.home_a, self.home_b):
            self.shell(
                f'pg_as "$PG_BIN/pg_ctl" -D {home}/data -m immediate stop >/dev/null 2>&1 || true; rm -rf {home}'
            )


class Servers:
    """Two application servers and nginx before them, as the files of this folder have them."""

    def __init__(self, environment: dict[str, str], folder: Path) -> None:
        self.environment, self.ports = environment, [free_port(), free_port()]
        self.running = [self._serve(port) for port in self.ports]
        self.port = free_port()
        site = (ROOT / "deploy" / "nginx.conf").read_text()
        site = site.replace("127.0.0.1:8001", f"127.0.0.1:{self.ports[0]}")
        site = site.replace("127.0.0.1:8002", f"127.0.0.1:{self.ports[1]}")
        site = re.sub(r"listen 443 ssl;", f"listen 127.0.0.1:{self.port};", site)
        site = re.sub(r"    ssl_certificate.*\n", "", site).replace(
            "limit_conn per_address 40", "limit_conn per_address 200"
        )
        temporary = "".join(
            f"{kind}_temp_path {folder}/{kind};\n" for kind in ("client_body", "proxy", "fastcgi", "uwsgi", "scgi")
        )
        (folder / "nginx.conf").write_text(
            f"{'user root;' if os.getuid() == 0 else ''}\nworker_processes 1;\npid {folder}/pid;\n"
            f"error_log {folder}/error.log;\nevents {{}}\n"
            f"http {{\naccess_log off;\n{temporary}{site}\n}}\n"
        )
        nginx = ["nginx", "-c", str(folder / "nginx.conf"), "-e", str(folder / "error.log"), "-g", "daemon off;"]
        self.nginx = subprocess.Popen(nginx, stderr=subprocess.DEVNULL)
        for port in (*self.ports, self.port):
            self._wait(port)

    def _serve(self, port: int) -> subprocess.Popen[bytes]:
        command = [
            sys.executable,
            "-m",
            "gunicorn",
            "fernback.wsgi",
            "--chdir",
            "server",
            "--workers",
            "2",
            "--threads",
            "4",
        ]
        more = [
            "--worker-class",
            "fernback.worker.DeadlineWorker",
            "--bind",
            f"127.0.0.1:{port}",
            "--keep-alive",
            "75",
            "--no-control-socket",
            "--log-level",
            "critical",
        ]
        return subprocess.Popen(
            [*command, *more], cwd=ROOT, env=self.environment, start_new_session=True, stderr=subprocess.DEVNULL
        )

    def _wait(self, port: int) -> None:
        for _ in range(600):
            try:
                with urllib.request.urlopen(f"http://127.0.0.1:{port}/readyz", timeout=20):
                    return
            except OSError:
                time.sleep(0.1)
        raise SystemExit(f"nothing answers on port {port}")

    def kill(self, k: int) -> None:
        os.killpg(self.running[k].pid, signal.SIGKILL)
        self.running[k].wait()

    def start(self, k: int) -> None:
        self.running[k] = self._serve(self.ports[k])
        self._wait(self.ports[k])

    def stop(self) -> None:
        self.nginx.terminate()
        for one in self.running:
            os.killpg(one.pid, signal.SIGKILL)


class Looker(threading.Thread):
    """Somebody who opens the list of jobs over and over; remembers when it did not succeed and how long it took."""

    def __init__(self, port: int) -> None:
        super().__init__(daemon=True)
        self.saver = Saver(port)
        self.saver.sign_in()
        self.failed_at: list[float] = []
        self.took_s: list[float] = []
        self.stopped = threading.Event()

    def run(self) -> None:
        while not self.stopped.is_set():
            began = time.monotonic()
            try:
                self.saver.call("/jobs")
                self.took_s.append(time.monotonic() - began)
            except (OSError, ValueError):
                self.failed_at.append(time.monotonic())
            time.sleep(0.05)


def trickle(port: int) -> list[socket.socket]:
    """Open connections that say a letter of their request and no more."""
    opened = []
    for _ in range(TRICKLING):
        sender = socket.create_connection(("127.0.0.1", port))
        sender.sendall(b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 500\r\nX-Slow: ")
        opened.append(sender)
    return opened


def main() -> int:
    if not shutil.which("nginx"):
        shell("debian_packages nginx-light", {**os.environ, "ROOT": str(ROOT)})
    with tempfile.TemporaryDirectory(prefix="fernback-prove-") as made:
        environment = {
            **os.environ,
            "ROOT": str(ROOT),
            "FERNBACK_SECRET_KEY": "prove",
            "FERNBACK_MEDIA": f"{made}/media",
        }
        databases = Databases(environment)
        one = {"FERNBACK_DB_SOCKET": databases.socket_a, "FERNBACK_DB_PORT": databases.port_a}
        for command in (["migrate", "-v0"], ["load_demo", "--password", PASSWORD]):
            manage = [sys.executable, "server/manage.py", *command]
            subprocess.run(manage, cwd=ROOT, env=environment | one, check=True, stdout=subprocess.DEVNULL)
        both = {
            "FERNBACK_DB_SOCKET": f"{databases.socket_a},{databases.socket_b}",
            "FERNBACK_DB_PORT": f"{databases.port_a},{databases.port_b}",
            "FERNBACK_DB_USER": "fernback_server",
            "FERNBACK_PROXIES": "1",
        }
        servers = Servers(environment | both, Path(made))
        try:
            return prove(databases, servers)
        finally:
            servers.stop()
            databases.stop()


def prove(databases: Databases, servers: Servers) -> int:
    """Kill one thing after another under load, and say what it cost."""
    saver = Saver(servers.port)
    saver.sign_in()
    saving = threading.Thread(target=saver.save_until_stopped, daemon=True)
    lookers = [Looker(servers.port) for _ in range(4)]
    for thread in (saving, *lookers):
        thread.start()
    time.sleep(4)
    good = [_server_killed(servers, lookers), _senders_slow(servers, lookers), _primary_killed(databases, saver)]
    saver.stop.set()
    for one in lookers:
        one.stopped.set()
    saving.join()
    lost = saver.lost()
    print(f"{len(saver.acknowledged)} saves acknowledged, {len(lost)} lost {lost or ''}")
    is_proved = all(good) and not lost
    print("proved" if is_proved else "NOT proved")
    return 0 if is_proved else 1


def _server_killed(servers: Servers, lookers: list[Looker]) -> bool:
    killed_at = time.monotonic()
    servers.kill(0)
    time.sleep(5)
    late_s = [at - killed_at for one in lookers for at in one.failed_at]
    asked = sum(len(one.took_s) for one in lookers)
    last = f", the last after {max(late_s):.2f} s" if late_s else ""
    print(f"one of two servers killed: {len(late_s)} of {asked} requests failed{last}")
    servers.start(0)
    return all(at < 1.0 for at in late_s)  # those in flight


def _senders_slow(servers: Servers, lookers: list[Looker]) -> bool:
    usual_s = median(t for one in lookers for t in one.took_s[-50:])
    senders = trickle(servers.port)
    for one in lookers:
        one.took_s.clear()
    time.sleep(4)
    slow_s = median(t for one in lookers for t in one.took_s)
    for sender in senders:
        sender.close()
    print(f"{TRICKLING} connections trickle: the jobs take {1000 * slow_s:.0f} ms, {1000 * usual_s:.0f} before")
    return slow_s < 1.0


def _primary_killed(databases: Databases, saver: Saver) -> bool:
    before, fell_at = len(saver.acknowledged), time.monotonic()
    databases.kill_primary()
    time.sleep(1)
    databases.promote()
    while len(saver.acknowledged) <= before + 3 and time.monotonic() < fell_at + 30:
        time.sleep(0.1)
    print(f"primary killed while saving, replica promoted: saves go on after {time.monotonic() - fell_at:.1f} s")
    time.sleep(3)
    return len(saver.acknowledged) > before + 3


if __name__ == "__main__":
    sys.exit(main())
