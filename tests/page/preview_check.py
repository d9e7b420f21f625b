# SPDX-License-Identifier: MIT
"""`preview`: what it serves, to whom, and how the page follows the file."""

import contextlib
import pathlib
import shutil
import signal
import socket
import tempfile
import time
import unittest

from browser import ROOT, Browser, Preview, program

CONSOLE = ROOT / "examples/console.scene.json"


class Served(unittest.TestCase):
    def test_answers_whoever_asks_this_machine_and_nobody_else(self):
        with Preview(CONSOLE) as preview:
            status, page, answer = preview.ask()
            self.assertEqual((status, answer.getheader("Cache-Control")), (200, "no-store"))
            self.assertIn(b"connect-src 'self'", page)
            self.assertEqual(preview.ask("/scene")[1], CONSOLE.read_bytes())
            self.assertEqual(preview.ask(Host=f"localhost:{preview.port}")[0], 200)
            for host in ("garden.example", f"garden.example:{preview.port}", "127.0.0.1", f"127.0.0.1.garden.example:{preview.port}"):
                self.assertEqual(preview.ask(Host=host)[0], 403, host)
                self.assertEqual(preview.ask("/scene", Host=host)[0], 403, host)
            for method in ("POST", "PUT", "DELETE", "PATCH"):
                self.assertEqual(preview.ask("/scene", method)[0], 405, method)
            self.assertEqual(CONSOLE.read_bytes(), preview.ask("/scene")[1])
            for path in ("/../etc/passwd", "/%2e%2e/etc/passwd", "/console.scene.json"):
                self.assertEqual(preview.ask(path)[0], 404, path)
            with socket.create_connection(("127.0.0.1", preview.port)) as deaf:
                deaf.sendall(b"GET / HTTP/1.1\r\nHost: " + b"x" * 100000)
            self.assertEqual(preview.ask()[0], 200)

    def test_listens_on_the_loopback_address_alone(self):
        with Preview(CONSOLE) as preview:
            wanted = f"{preview.port:04X}"
            rows = [line.split() for line in pathlib.Path("/proc/net/tcp").read_text().splitlines()[1:]]
            listening = [row[1].split(":")[0] for row in rows if row[3] == "0A" and row[1].endswith(":" + wanted)]
            self.assertEqual(listening, ["0100007F"])

    def test_tells_a_taken_port_and_takes_the_next_free_one(self):
        with Preview(CONSOLE) as first, Preview(CONSOLE) as second:
            self.assertNotEqual(first.port, second.port)
            self.assertRegex(second.line, r"\(8017 is taken\); press Ctrl-C to stop")
            asked = program("preview", CONSOLE, "--port", first.port, check=False)
            self.assertEqual(asked.returncode, 2)
            self.assertIn(f"--port {first.port}: another program uses port {first.port}", asked.stderr)

    def test_says_when_no_port_is_free(self):
        with contextlib.ExitStack() as taken:
            for port in range(8017, 8067):
                listening = taken.enter_context(contextlib.closing(socket.socket()))
                listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)  # it may have been somebody's a moment ago
                with contextlib.suppress(OSError):  # somebody has it now: all the same
                    listening.bind(("127.0.0.1", port))
                    listening.listen()
            told = program("preview", CONSOLE, check=False)
        self.assertEqual((told.returncode, told.stderr),
                         (2, "fond-ladder: error: no port from 8017 to 8066 is free; choose one with --port\n"))

    def test_ends_on_ctrl_c(self):
        for how in (signal.SIGINT, signal.SIGTERM):
            with Preview(CONSOLE) as preview, preview.watch() as watching:
                self.assertIn(b"event: version", watching.recv(4096))
                self.assertEqual(preview.stop(how), -how)
                self.assertEqual(preview.process.stderr.read(), "fond-ladder: interrupted\n")

    def test_says_what_is_wrong_at_the_beginning_and_goes_on(self):
        with tempfile.TemporaryDirectory() as folder:
            scene = pathlib.Path(folder) / "wrong.scene.json"
            scene.write_text('{"format": 2, "root": {"kind": "rov", "name": "r"}}')
            with Preview(scene) as preview:
                preview.stop()
                self.assertIn("wrong.scene.json:1:", preview.process.stderr.read())
            missing = program("preview", "/no/such.scene.json", check=False)
            self.assertEqual((missing.returncode, missing.stderr), (2, "/no/such.scene.json: error: there is no such file\n"))


class Followed(unittest.TestCase):
    def setUp(self):
        self.folder = tempfile.TemporaryDirectory()
        self.scene = pathlib.Path(self.folder.name) / "console.scene.json"
        shutil.copy(CONSOLE, self.scene)
        self.text = self.scene.read_text()
        self.pages = [Browser(), Browser(900, 700)]

    def tearDown(self):
        for page in self.pages:
            page.close()
        self.folder.cleanup()

    def test_a_changed_file_is_seen_at_once_and_nothing_is_lost(self):
        with Preview(self.scene) as preview:
            for page in self.pages:
                page.open(preview.address)
                page.run("await api.resize(701, null); await api.select('console/body/beds'); await api.apply('set sensors.gap=21')")
            begun = time.monotonic()
            self.scene.write_text(self.text.replace('"width": 240', '"width": 244'))
            for page in self.pages:
                page.wait("the new width", lambda page=page: beds(page)["width"] == 244)
            took = time.monotonic() - begun
            for page in self.pages:
                self.assertEqual(page.size()["width"], 701)
                self.assertTrue(page.size()["byContent"])
                self.assertEqual(page.selected(), "console/body/beds")
                self.assertEqual(page.run("return api.changes()"), ["--set sensors.gap=21"])
            self.tell_how_quickly(preview)
            print(f"a change was shown by two browsers after {1000 * took:.0f} ms")

    def tell_how_quickly(self, preview):
        """Prints how long the program takes to tell a change, from ten of them; how busy a machine is is not ours to test."""
        took = []
        with preview.watch() as watching:
            while b"event: version" not in watching.recv(4096):
                pass
            for i in range(10):
                begun = time.monotonic()
                self.scene.write_text(self.text.replace('"width": 240', f'"width": {250 + i}'))
                while b"event: version" not in watching.recv(4096):
                    pass
                took.append(1000 * (time.monotonic() - begun))
        print(f"a change is told after {sorted(took)[5]:.0f} ms, at worst {max(took):.0f}")

    def test_writes_for_its_own_page_alone_and_never_over_a_file_that_changed(self):
        with Preview(self.scene, "--write") as preview:
            own, token, changed = f"http://127.0.0.1:{preview.port}", preview.token(), self.text.replace('"width": 240', '"width": 241')
            def post(text, made_from="1", origin=own, path="/scene"):
                status, why, _ = preview.ask(path, "POST", text.encode(), Origin=origin, X_Made_From=made_from, X_Page_Token=token)
                return status, why.decode()
            self.assertEqual(preview.ask("/writes")[0], 204)
            for origin, made_from, path, status in [("http://garden.example", "1", "/scene", 403), (own, "", "/scene", 403),
                                                    ("null", "1", "/scene", 403), (own, "1", "/", 405), (own, "1", "/changes", 405)]:
                self.assertEqual(post(changed, made_from, origin, path)[0], status, (origin, made_from, path))
            self.assertEqual(post('{"format":2,"root":{"kind":"rov"}}')[0], 409)
            self.assertIn("the file has changed since", post(changed, "7")[1])
            self.assertEqual(self.scene.read_text(), self.text)
            self.assertEqual(post(changed), (204, ""))
            self.assertEqual(self.scene.read_text(), changed)
            self.pages[0].wait("the program to see it", lambda: preview.ask("/scene")[1].decode() == changed)
            self.scene.write_text(self.text + "\n")  # by somebody else
            self.assertEqual(post(changed, "2")[0], 409)
            self.assertEqual(self.scene.read_text(), self.text + "\n")
        with Preview(self.scene) as preview:
            self.assertEqual(preview.ask("/writes")[0], 404)
            self.assertEqual(preview.ask("/scene", "POST", b"{}", Origin=f"http://127.0.0.1:{preview.port}", X_Made_From="1",
                                         X_Page_Token=preview.token())[0], 405)

    def test_the_page_writes_its_changes_and_undo_goes_back_over_it(self):
        with Preview(self.scene, "--write") as preview:
            page = self.pages[0].open(preview.address)
            page.wait("a button that writes", lambda: "Save" in page.texts("#fl-changes button"))
            page.run("await api.apply('set beds.width=250')")
            page.unfold("#fl-changes")
            page.click("Save", "#fl-changes")
            page.wait("the file", lambda: self.scene.read_text() == self.text.replace('"width": 240', '"width": 250', 1))
            page.wait("the page to see its own file", lambda: shown_version(page) == "2")
            self.assertEqual(beds(page)["width"], 250)
            self.assertEqual(page.run("return api.changes()"), ["--set beds.width=250"])
            page.run("await api.undo()")
            page.click("Save", "#fl-changes")
            page.wait("the file as it was", lambda: self.scene.read_text() == self.text)
            page.run("await api.apply('insert status:0={\"kind\": \"box\", \"name\": \"lamp\", \"width\": 20}')")
            page.click("Save", "#fl-changes")
            page.wait("the lamp", lambda: '"lamp"' in self.scene.read_text())
            page.wait("the page to see its own file", lambda: shown_version(page) == "4")
            self.scene.write_text(self.scene.read_text().replace('"width": 240', '"width": 244'))  # by somebody else
            page.wait("the new width", lambda: beds(page)["width"] == 244)
            self.assertEqual(page.run("return api.changes()"), [])  # it is in the file, and not made twice
            self.assertNotIn("No longer possible", page.text("#fl-status"))
            with Preview(self.scene) as other:  # who may not write has no button
                self.pages[1].open(other.address)
                self.assertNotIn("Save", self.pages[1].texts("#fl-changes button"))

    def test_a_kit_that_changes_changes_the_page(self):
        with tempfile.TemporaryDirectory() as folder:
            scene, kit = pathlib.Path(folder) / "screen.scene.json", pathlib.Path(folder) / "kit.scene.json"
            scene.write_text('{"format":2,"uses":["kit.scene.json"],"root":{"kind":"row","name":"r","children":[{"part":"lamp","name":"lamp"}]}}')
            kit.write_text('{"format":2,"parts":{"lamp":{"kind":"box","width":20}}}')
            with Preview(scene) as preview:
                self.assertIn(b'"lamp": { "kind": "box", "width": 20 }', preview.ask("/scene")[1])
                self.assertNotIn(b"uses", preview.ask("/scene")[1])
                for text, status, told in [('{"format":2,"parts":{"lamp":{"kind":"box","width":33}}}', 200, b'"width": 33'),
                                           ('{"format":2,"parts":{"lamp":{"kind":"box","widht":3}}}', 404, b"kit.scene.json:1:43: error"),
                                           (None, 404, b"there is no such file"),
                                           ('{"format":2,"parts":{"lamp":{"kind":"box","width":44}}}', 200, b'"width": 44')]:
                    kit.unlink() if text is None else kit.write_text(text)
                    for _ in range(100):
                        answer = preview.ask("/scene")
                        if answer[0] == status and told in answer[1]:
                            break
                        time.sleep(0.05)
                    self.assertEqual((answer[0], told in answer[1]), (status, True), answer[1])

    def test_faults_come_over_the_last_good_picture_and_go(self):
        page = self.pages[0]
        with Preview(self.scene) as preview:
            page.open(preview.address)
            self.scene.write_text(self.text.replace('"kind": "row"', '"kind": "rov"', 1))
            page.wait("the fault", lambda: page.texts("#fl-faults li"))
            expected = program("measure", self.scene, check=False).stderr.splitlines()
            self.assertEqual(page.texts("#fl-faults li"), expected)
            self.assertRegex(expected[0], r":\d+:\d+: error: ")
            self.assertEqual(page.text("#fl-faults strong"), "The file is wrong (1 fault); this is how it was before.")
            self.assertTrue(page.find("#fl-canvas").is_displayed())
            self.assertEqual(beds(page)["width"], 240)
            self.scene.write_text(self.text)
            page.wait("no fault", lambda: not page.texts("#fl-faults li"))
            self.scene.unlink()
            page.wait_for_text("#fl-status", "there is no such file")

    def test_begins_with_a_wrong_file_and_shows_the_mended_one(self):
        page = self.pages[0]
        self.scene.write_text(self.text.replace('"kind": "row"', '"kind": "rov"', 1))
        with Preview(self.scene) as preview:
            page.open(preview.address)
            self.assertEqual(len(page.texts("#fl-faults li")), 1)
            self.assertEqual(page.text("#fl-faults strong"), "The file is wrong (1 fault).")
            self.assertEqual(page.text("#fl-status"), "It is shown here when it is mended.")
            self.scene.write_text(self.text)
            page.wait("the scene", lambda: page.text("#fl-title") == "North house console")
            self.assertTrue(page.find("#fl-canvas").is_displayed())

    def test_goes_on_with_a_program_that_was_started_again(self):
        page = self.pages[0]
        with Preview(self.scene, "--write") as preview:
            page.open(preview.address)
            preview.stop()
            page.wait_for_text("#fl-status", "does not answer")
        self.scene.write_text(self.text.replace('"width": 240', '"width": 245'))
        with Preview(self.scene, "--write", "--port", str(preview.port)) as again:
            page.wait("the new width", lambda: beds(page)["width"] == 245)
            page.run("await api.apply('set beds.width=250')")
            page.unfold("#fl-changes")
            page.click("Save", "#fl-changes")
            page.wait("the file", lambda: '"width": 250' in self.scene.read_text())
            self.assertEqual(again.stop(), -signal.SIGINT)

    def test_says_when_the_program_has_ended(self):
        page = self.pages[0]
        with Preview(self.scene) as preview:
            page.open(preview.address)
            preview.stop()
            page.wait_for_text("#fl-status", "does not answer")
            page.run("await api.resize(500, null)")
            self.assertEqual(page.size()["width"], 500)


def shown_version(page):
    """The version of the file that the page shows; none before the first change."""
    return page.run("return document.body.dataset.version")


def beds(page):
    return next(box for box in page.run("return api.boxes()") if box["path"] == "console/body/beds")


if __name__ == "__main__":
    unittest.main()
