# SPDX-License-Identifier: MIT
"""`preview --write`, attacked: by requests that no browser sends, by pages of another origin, by clients that are slow or
idle, and by whoever puts something else in the place of the file."""

import concurrent.futures
import http.server
import json
import os
import pathlib
import random
import re
import shutil
import signal
import socket
import tempfile
import threading
import unittest

from browser import ROOT, Browser, Preview, wait

QUICKSTART = ROOT / "examples/quickstart.scene.json"
FORGED = '{"format": 2, "title": "written by somebody else", "root": {"kind": "row"}}'


class Attacked(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = pathlib.Path(folder.name)
        self.scene = self.folder / "victim.scene.json"
        shutil.copy(QUICKSTART, self.scene)
        self.text = self.scene.read_text()
        self.preview = Preview(self.scene, "--write")
        self.addCleanup(self.preview.__exit__)
        self.token, self.own = self.preview.token(), f"http://127.0.0.1:{self.preview.port}"

    def say(self, *packets, pause=0.0, half_close=False):
        """Sends bytes as they are, and returns all that comes back."""
        answer = b""
        with socket.create_connection(("127.0.0.1", self.preview.port), timeout=60) as to:
            try:
                for packet in packets:
                    to.sendall(packet)
                    threading.Event().wait(pause)
                if half_close:
                    to.shutdown(socket.SHUT_WR)
                while piece := to.recv(65536):
                    answer += piece
            except (ConnectionResetError, BrokenPipeError):
                pass
        return answer

    def request(self, body=FORGED, method="POST", path="/scene", leave_out=(), **headers):
        told = {"Host": f"127.0.0.1:{self.preview.port}", "Origin": self.own, "X-Made-From": "1", "X-Page-Token": self.token,
                "Content-Length": str(len(body)), **{name.replace("_", "-"): value for name, value in headers.items()}}
        lines = [f"{method} {path} HTTP/1.1", *(f"{name}: {value}" for name, value in told.items() if name not in leave_out)]
        return ("\r\n".join(lines) + "\r\n\r\n" + body).encode()

    @staticmethod
    def statuses(answer):
        return [int(one) for one in re.findall(rb"HTTP/1\.1 (\d+) ", answer)]

    def is_unchanged(self, about):
        self.assertEqual(self.scene.read_text(), self.text, about)

    # --- one request a connection -------------------------------------------------------------------------------------

    def test_the_body_of_a_refused_request_is_no_request(self):
        inner = self.request()  # which knows even the token
        for path in ("/", "/scene", "/changes"):
            for pad in (0, 1, 4096, 100_000):
                body = b"y" * pad + inner
                head = (f"POST {path} HTTP/1.1\r\nHost: 127.0.0.1:{self.preview.port}\r\nConnection: keep-alive\r\n"
                        f"Content-Length: {len(body)}\r\nOrigin: http://garden.example\r\n\r\n").encode()
                for packets in ([head + body], [head, body], [head, b"y" * pad, inner]):
                    answer = self.say(*packets, pause=0.02 if len(packets) > 1 else 0)
                    self.assertIn(self.statuses(answer), ([403], [405], []), (path, pad))
                    self.is_unchanged((path, pad))

    def test_a_second_request_of_a_connection_is_not_read(self):
        first = f"GET /writes HTTP/1.1\r\nHost: 127.0.0.1:{self.preview.port}\r\n\r\n".encode()
        for packets in ([first + self.request()], [first, self.request()], [first[:-1], b"\n" + self.request()]):
            self.assertEqual(self.statuses(self.say(*packets)), [204])
            self.is_unchanged(packets)
        self.assertIn(b"Connection: close", self.say(first))

    # --- what a write must show -----------------------------------------------------------------------------------------

    def test_a_write_shows_token_origin_and_the_very_version(self):
        for about, request, status in [
                ("no token", self.request(leave_out=["X-Page-Token"]), 403),
                ("another token", self.request(X_Page_Token="0" * 32), 403),
                ("a part of the token", self.request(X_Page_Token=self.token[:-1]), 403),
                ("two tokens", self.request().replace(b"X-Page-Token", b"X-Page-Token: " + b"0" * 32 + b"\r\nX-Page-Token"), 403),
                ("no origin", self.request(leave_out=["Origin"]), 403), ("origin null", self.request(Origin="null"), 403),
                ("another origin", self.request(Origin="http://garden.example"), 403),
                ("another port", self.request(Origin="http://127.0.0.1:1"), 403),
                ("another host", self.request(Host="garden.example"), 403),
                ("two hosts", self.request().replace(b"Host:", b"Host: garden.example\r\nHost:"), 403),
                ("no version", self.request(leave_out=["X-Made-From"]), 403),
                *((f"version {one}", self.request(X_Made_From=one), 409) for one in ("01", "+1", "1abc", "0", "2", "1.0", "-1", "18446744073709551617")),
                ("no length", self.request(leave_out=["Content-Length"]), 411),
                ("chunks", self.request(leave_out=["Content-Length"], Transfer_Encoding="chunked"), 411),
                ("too long", self.request(Content_Length="99999999999"), 413),
                ("another method", self.request(method="PUT"), 405), ("another path", self.request(path="/"), 405),
                ("a path with more", self.request(path="/scene?"), 405), ("no scene", self.request("{}"), 409)]:
            with self.subTest(about):
                self.assertEqual(self.statuses(self.say(request)), [status])
                self.is_unchanged(about)
        self.assertEqual(self.statuses(self.say(self.request())), [204])
        self.assertEqual(self.scene.read_text(), FORGED)

    def test_the_token_is_another_one_at_each_start(self):
        self.assertRegex(self.token, "^[0-9a-f]{32}$")
        with Preview(QUICKSTART) as other:
            self.assertNotEqual(other.token(), self.token)

    def test_an_event_stream_shows_the_token(self):
        for path in ("/changes", "/changes?token=", f"/changes?token={self.token[:-1]}", f"/changes?token={self.token}0", f"/changes?x={self.token}"):
            self.assertEqual(self.preview.ask(path)[0], 403, path)
        with self.preview.watch() as watching:
            self.assertIn(b"data: 1", watching.recv(4096))

    def test_nothing_of_another_origin_is_answered(self):
        for site, mode, status in [("cross-site", "no-cors", 403), ("same-site", "cors", 403), ("cross-site", "navigate", 200),
                                   ("same-origin", "cors", 200), ("none", "navigate", 200)]:
            self.assertEqual(self.preview.ask("/scene", Sec_Fetch_Site=site, Sec_Fetch_Mode=mode)[0], status, (site, mode))

    # --- many, slow and idle ----------------------------------------------------------------------------------------------

    def test_a_hundred_writers_at_once(self):
        requests = [self.request(self.text.replace("North house", f"House {i}")) for i in range(100)]
        with concurrent.futures.ThreadPoolExecutor(100) as writers:
            statuses = sorted(self.statuses(answer)[0] for answer in writers.map(self.say, requests))
        self.assertEqual(statuses[0], 204)
        self.assertEqual(set(statuses), {204, 409})
        written = self.scene.read_text()
        self.assertIn(written, [self.text.replace("North house", f"House {i}") for i in range(100)])
        self.assertEqual([one.name for one in self.folder.iterdir()], [self.scene.name])

    def test_idle_and_slow_clients_keep_nobody_out(self):
        held = []
        self.addCleanup(lambda: [one.close() for one in held])
        for i in range(600):
            one = socket.create_connection(("127.0.0.1", self.preview.port), timeout=60)
            held.append(one)
            one.sendall([b"", b"GET /scene HTTP/1.1\r\nX: ", self.preview.watching_request(),
                         self.request(Content_Length="4000000")][i % 4])
            if i % 100 == 99:
                self.assertEqual(self.preview.ask("/scene")[1].decode(), self.text)
                self.assertEqual(self.preview.ask()[0], 200)
        self.assertEqual(self.statuses(self.say(self.request())), [204])

    def test_a_header_has_a_deadline_as_a_whole(self):
        with socket.create_connection(("127.0.0.1", self.preview.port), timeout=60) as slow:
            def is_closed():
                try:
                    slow.sendall(b"x")  # never silent for long
                    slow.settimeout(0.2)
                    return slow.recv(4096) == b""
                except TimeoutError:
                    return False
                except OSError:
                    return True
            slow.sendall(b"GET /scene HTTP/1.1\r\nX: ")
            wait("the slow client to be sent away", is_closed, 300)

    # --- the file -----------------------------------------------------------------------------------------------------------

    def test_only_the_plain_file_is_served_and_written(self):
        other = self.folder / "other.scene.json"
        other.write_text(FORGED)
        here = lambda: self.preview.ask("/scene")
        def replaced_by(what):
            self.scene.unlink()
            what()
        version = lambda: self.preview.version()
        def write(text):
            return self.preview.ask("/scene", "POST", text.encode(), Origin=self.own, X_Made_From=version(), X_Page_Token=self.token)
        for about, put, told in [("a link to a scene", lambda: self.scene.symlink_to(other), "link to another file"),
                                 ("a link to nothing", lambda: self.scene.symlink_to("nothing"), "link to another file"),
                                 ("a pipe", lambda: os.mkfifo(self.scene), "not a plain file"),
                                 ("a folder", lambda: self.scene.mkdir(), "a directory")]:
            with self.subTest(about):
                replaced_by(put)
                wait("it to be told", lambda: here()[0] == 404 and told in here()[1].decode(), 60)
                self.assertEqual(write(self.text)[0], 409)
                self.assertEqual(other.read_text(), FORGED)
                self.scene.rmdir() if self.scene.is_dir() and not self.scene.is_symlink() else self.scene.unlink()
                self.scene.write_text(self.text)
                wait("it to be followed again", lambda: here()[1].decode() == self.text, 60)
        changed = self.text.replace("North house", "South house")
        wait("a write into the plain file", lambda: write(changed)[0] == 204, 60)
        self.assertEqual(self.scene.read_text(), changed)
        self.assertEqual(self.preview.stop(signal.SIGINT), -signal.SIGINT)

    # --- at random --------------------------------------------------------------------------------------------------------

    def test_odd_requests_write_nothing(self):
        dice = random.Random(int(os.environ.get("FOND_LADDER_SEED", "20261127")))
        port = self.preview.port
        ours = (f"127.0.0.1:{port}", f"localhost:{port}")
        paths = ["/", "/scene", "/scene", "/pieces", "/changes?token=x", "/writes", "/../scene", "/%2e%2e/%2e%2e/etc/passwd", "//etc/passwd", "/scene/",
                 "/scene%00", "/" + "a" * 9000, "*", "http://garden.example/", "/?a=" + "b" * 2000, "/favicon.ico", "/SCENE", "\\scene", "/./scene"]
        hosts = [ours[0]] * 6 + [ours[1], "garden.example", f"127.0.0.1.garden.example:{port}", f"[::1]:{port}", "", f"127.0.0.1:{port}\t", "a" * 5000]
        methods = ["GET"] * 6 + ["POST"] * 4 + ["PUT", "DELETE", "OPTIONS", "TRACE", "HEAD", "get", "BREW", "G" * 300]
        origins = [[]] * 2 + [[f"Origin: {one}"] for one in (self.own, "null", "http://garden.example", f"http://localhost:{port}")]
        tokens = [[]] * 2 + [[f"X-Page-Token: {one}"] for one in ("", "0" * 32, self.token[:31], self.token + "0")]
        others = [[]] * 6 + [["Content-Length: -1"], ["Content-Length: 99999999999"], ["Content-Length: 5", "Content-Length: 500"],
                             ["Transfer-Encoding: chunked"], [f"X-{i}: {i}" for i in range(200)], ["Range: bytes=0-3,9-5"], [": x"], ["X: " + "y" * 9000]]
        inner = self.request()
        page, answered = None, 0
        for _ in range(int(os.environ.get("FOND_LADDER_REQUESTS", "10000"))):
            method, path, host = dice.choice(methods), dice.choice(paths), dice.choice(hosts)
            lines = [f"{method} {path} {dice.choice(['HTTP/1.1'] * 9 + ['HTTP/1.0', 'HTTP/9.9', ''])}", f"Host: {host}", "X-Made-From: 1"]
            lines += dice.choice(origins) + dice.choice(tokens) + dice.choice(others) + dice.choice([[], ["Connection: keep-alive"], [f"Content-Length: {len(inner)}"]])
            raw = "\r\n".join(lines).encode("latin-1", "replace") + b"\r\n\r\n" + dice.choice([b""] * 3 + [b"x" * 50, b"\0\xff", inner, inner])
            if dice.random() < 0.05:
                raw = bytes(dice.randrange(256) for _ in range(dice.randrange(200)))
            elif dice.random() < 0.05:
                raw = raw[:dice.randrange(len(raw))]
            answer = self.say(raw, half_close=True)
            self.assertIsNone(self.preview.process.poll(), raw[:200])
            self.is_unchanged(raw[:400])
            if not answer:
                continue
            answered += 1
            self.assertEqual(len(self.statuses(answer)), 1, raw[:400])
            head, _, body = answer.partition(b"\r\n\r\n")
            status = int(re.match(rb"HTTP/1\.1 (\d+)", head)[1])
            self.assertNotIn(b"root:", body)
            if status == 200 and method == "GET" and body:
                self.assertIn(host.strip(), ours, raw[:200])
                if body != self.text.encode() and body.startswith(b"<!"):
                    page = page or body
                    self.assertEqual(body, page)
        self.assertGreater(answered, 0)
        self.assertEqual(self.preview.ask("/scene")[1].decode(), self.text)

    def test_a_page_of_another_origin_writes_nothing(self):
        script = """
          const [port, inner, tries] = a, forged = 'http://127.0.0.1:' + port + '/';
          let readable = 0;
          for (let i = 0; i < tries; ++i) {
            const body = 'y'.repeat(i < 1000 ? 0 : 3000 + i) + inner;
            const asks = [['', {method: 'POST', mode: 'no-cors', body}], ['scene', {method: 'POST', mode: 'no-cors', body: inner.split('\\r\\n\\r\\n')[1]}],
                          ['scene', {method: 'POST', body, headers: {'X-Made-From': '1', 'X-Page-Token': '0'}}], ['', {}], ['scene', {mode: 'no-cors'}]];
            const [path, how] = asks[i % asks.length];
            try { const answer = await fetch(forged + path, how); if (answer.type !== 'opaque') ++readable; } catch {}
          }
          return readable;"""
        class Page(http.server.BaseHTTPRequestHandler):
            def do_GET(self):
                self.send_response(200)
                self.send_header("Content-Type", "text/html")
                self.end_headers()
                self.wfile.write(b"<!doctype html><title>another origin</title>")
            def log_message(self, *_):
                pass
        server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Page)
        self.addCleanup(server.server_close)
        self.addCleanup(server.shutdown)
        threading.Thread(target=server.serve_forever, daemon=True).start()
        browser = Browser()
        self.addCleanup(browser.close)
        browser.driver.set_script_timeout(900)
        browser.driver.get(f"http://localhost:{server.server_port}/")
        inner = self.request().decode()
        self.assertEqual(browser.run(script, self.preview.port, inner, 2000), 0)
        self.is_unchanged("a page of another origin")
        self.assertEqual(self.preview.ask("/scene")[1].decode(), self.text)


if __name__ == "__main__":
    unittest.main()
