# SPDX-License-Identifier: MIT
"""Every command that writes a file, on a file system of which the k-th call fails, for every k until none fails any
more: the exit status is 2 with one message that names the target, the old file is whole, and nothing is left beside it.
And where memory is short, the output is closed or full, or a signal comes at any moment.

  faults_check.py ROOT PROGRAM LIBRARY"""
import contextlib
import errno
import json
import os
import pathlib
import random
import re
import resource
import signal
import subprocess
import sys
import tempfile
import threading
import time
import unittest
import urllib.error
import urllib.request

ROOT, PROGRAM, LIBRARY = (pathlib.Path(word).resolve() for word in sys.argv[1:4])
CONSOLE = ROOT / "examples/console.scene.json"
QUICK = ROOT / "examples/idioms/tied.scene.json"
OLD = b"what stood here before\n"
# What is written, and the command that does.
WRITES = {
    "house.svg": ["draw", CONSOLE, "--at", "900x600", "-o"],
    "house.png": ["draw", CONSOLE, "--at", "900x600", "-o"],
    "house.pdf": ["draw", CONSOLE, "--at", "900x600", "-o"],
    "house.json": ["tidy", CONSOLE, "-o"],
    "new.scene.json": ["new", "empty", "-o"],
    "house.html": ["report", CONSOLE, "-o"],
    "junit.xml": ["check", QUICK, "--junit"],
    "check.sarif": ["check", QUICK, "--sarif"],
    "lint.sarif": ["lint", QUICK, "--sarif"],
    "map.svg": ["map", QUICK, "--width", "300..310", "--height", "200..210", "-o"],
    "sweep.svg": ["sweep", CONSOLE, "--show", "beds.width", "--width", "900..910", "--plot"],
}


def call(words, environment=None, **more):
    return subprocess.run([PROGRAM, *map(str, words)], capture_output=True, timeout=120, check=False,
                          env={**os.environ, **(environment or {})}, **more)


class Faults(unittest.TestCase):
    def setUp(self):
        kept = tempfile.TemporaryDirectory()
        self.addCleanup(kept.cleanup)
        self.folder = pathlib.Path(kept.name) / "results"
        self.folder.mkdir()
        self.told = pathlib.Path(kept.name) / "failed"

    def whole(self, words, target):
        """What the command writes where nothing fails."""
        done = call([*words, target])
        self.assertIn(done.returncode, (0, 1), done.stderr)
        whole = target.read_bytes()
        target.unlink()
        return whole

    def assert_same(self, name, found, whole):
        """But for times: when a PDF was made, how long claims took."""
        moments = rb'CreationDate[^\n]*|time="[0-9.]+"'
        self.assertEqual(re.sub(moments, b"", found), re.sub(moments, b"", whole), name)

    def test_every_call_that_fails_leaves_the_old_file_whole(self):
        for name, words in WRITES.items():
            target = self.folder / name
            whole = self.whole(words, target)
            for old in (OLD, None)[words[0] == "new":]:  # which writes over nothing
                failed = 0
                for k in range(1, 100):
                    if old is not None:
                        target.write_bytes(old)
                    why = (errno.ENOSPC, errno.EDQUOT, errno.EIO)[k % 3]
                    done = call([*words, target], {"LD_PRELOAD": str(LIBRARY), "FOND_LADDER_FAIL_AT": str(k),
                                                   "FOND_LADDER_FAIL_WITH": str(why), "FOND_LADDER_FAILED": str(self.told)})
                    has_failed = self.told.exists()
                    self.told.unlink(missing_ok=True)
                    with self.subTest(name=name, k=k, err=done.stderr, old=old is not None):
                        self.assertEqual(set(self.folder.iterdir()) - {target}, set(), "something is left behind")
                        if not has_failed:
                            self.assertIn(done.returncode, (0, 1))
                            self.assert_same(name, target.read_bytes(), whole)
                        else:
                            failed += 1
                            self.assertEqual(done.returncode, 2)
                            self.assertEqual(done.stderr.count(b"error: "), 1, "one message")
                            self.assertIn(name.encode(), done.stderr)
                            self.assertIn(os.strerror(why).encode(), done.stderr)
                            self.assertEqual(target.read_bytes() if target.exists() else None, old)
                    target.unlink(missing_ok=True)
                    if not has_failed:
                        break
                self.assertGreaterEqual(failed, 5, f"{name}: a file is made, written, given its mode, closed, renamed")

    def test_targets_that_cannot_be_written(self):
        os.chmod(self.folder, 0o755)
        loop, gone, folder = self.folder / "loop.svg", self.folder / "gone.svg", self.folder / "folder.svg"
        loop.symlink_to(loop)
        gone.symlink_to(self.folder / "nowhere" / "house.svg")
        folder.mkdir()
        for target in (loop, gone, folder, self.folder / "nowhere" / "x.svg", "/dev/full"):
            done = call(["draw", CONSOLE, "--at", "900x600", "--as", "svg", "-o", target])
            with self.subTest(target=target):
                self.assertEqual((done.returncode, done.stdout), (2, b""))
                self.assertEqual(done.stderr.count(b"\n"), 1)
                self.assertIn(str(target).encode(), done.stderr)
        self.assertEqual(set(self.folder.iterdir()), {loop, gone, folder})

    def test_output_that_is_full_or_closed(self):
        for words in (["measure", CONSOLE], ["sweep", CONSOLE, "--show", "beds.width"], ["check", CONSOLE], ["lint", CONSOLE],
                      ["tidy", CONSOLE], ["explain", CONSOLE, "beds"], ["compare", CONSOLE, "--set", "beds.gap=3"], ["fonts"], ["help"]):
            with self.subTest(words=words[0]), open("/dev/full", "wb") as full:
                done = subprocess.run([PROGRAM, *map(str, words)], stdout=full, stderr=subprocess.PIPE, check=False)
                self.assertEqual(done.returncode, 2, done.stderr)
                self.assertTrue(done.stderr.endswith(b"fond-ladder: error: cannot write the result\n"), done.stderr)
                child = subprocess.Popen([PROGRAM, *map(str, words)], stdout=subprocess.PIPE, stderr=subprocess.PIPE,
                                         preexec_fn=lambda: signal.signal(signal.SIGPIPE, signal.SIG_DFL))
                child.stdout.close()  # as `| head -0` does
                told = child.stderr.read()
                child.stderr.close()
                self.assertIn(child.wait(), (-signal.SIGPIPE, 0, 1, 2))
                self.assertLessEqual(told.count(b"\n"), 1)

    def test_where_memory_is_short_it_is_told_so(self):
        def short(words, megabytes, big=""):
            limit = megabytes * 1024 * 1024
            done = call(words, input=big.encode(), preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_AS, (limit, limit)))
            with self.subTest(words=words[0], megabytes=megabytes, err=done.stderr[-300:]):
                if done.returncode == 127:
                    return  # not even its libraries found room
                self.assertEqual(done.returncode, 2)
                self.assertIn(b"memory", done.stderr)
                self.assertEqual(done.stderr.count(b"\n"), 1)

        big = '{"format": 2, "root": {"kind": "column", "children": [{"kind": "row", "copies": 100000}]}}'
        for megabytes in (24, 40, 64, 96):
            short(["measure", "-"], megabytes, big)
        for megabytes in (64, 100, 150, 200):  # what letters need ends a program that does not ask first
            for words in (["measure", CONSOLE, "--text-metrics", "fonts"], ["fonts"], ["draw", CONSOLE, "--at", "900x600", "-o", "/dev/null", "--as", "svg"],
                          ["draw", CONSOLE, "--at", "8000x8000", "-o", "/dev/null", "--as", "png"]):
                short(words, megabytes)

    def test_memory_is_in_proportion(self):
        """A hostile file takes ten times its bytes and 30 MB; every locale of a scene hardly more than one."""
        def peak(words):
            child = subprocess.Popen([PROGRAM, *map(str, words)], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
            _, status, used = os.wait4(child.pid, 0)
            child.returncode = os.waitstatus_to_exitcode(status)
            return child.returncode, used.ru_maxrss * 1024

        size = 10_000_000
        scene = self.folder / "dense.scene.json"
        text = '{"format": 2, "root": {"kind": "text", "text": "%s"}}'
        for name, dense in (("open", "[" * size), ("both", "[" * (size // 2) + "]" * (size // 2)), ("lists", "[" + "[]," * (size // 3) + "0]"),
                            ("objects", "[" + "{}," * (size // 3) + "0]"), ("numbers", "[" + "0," * (size // 2) + "0]"),
                            ("texts", '["' + '","' * (size // 3) + '"]'), ("keys", "{" + '"":0,' * (size // 5) + '"":0}'),
                            ("one text", text % ("a" * (size - 100))), ("words", text % ("a " * (size // 2)))):
            scene.write_text(dense)
            status, bytes_taken = peak(["measure", scene])
            with self.subTest(name=name, megabytes=bytes_taken / 1e6):
                self.assertEqual(status, 2)
                self.assertLessEqual(bytes_taken, 10 * len(dense) + 30e6)
        texts = range(200)
        scene.write_text(json.dumps({
            "format": 2, "ladder": {"width": [300, 310]}, "claims": ["fits(t0)"],
            "locales": {f"w{k}": {"texts": {f"t{i}": f"{k} trays of {i} ferns" for i in texts}} for k in range(400)},
            "root": {"kind": "column", "children": [{"kind": "text", "name": f"t{i}", "text": f"{i} ferns"} for i in texts]}}))
        status, one = peak(["check", scene])
        self.assertEqual(status, 0)
        for command in ("check", "lint"):
            status, of_all = peak([command, scene, "--locale", "all"])
            self.assertIn(status, (0, 1))
            self.assertLessEqual(of_all, 3 * one, command)

    def test_a_signal_at_any_moment_leaves_the_old_file_or_the_new_one(self):
        dice = random.Random(int(os.environ.get("FOND_LADDER_SEED", "20261127")))
        for name, words in WRITES.items():
            if words[0] == "new":
                continue  # it writes over nothing
            target = self.folder / name
            begun = time.monotonic()
            whole = self.whole(words, target)
            took = time.monotonic() - begun
            for how in (signal.SIGINT, signal.SIGTERM):
                for _ in range(int(os.environ.get("FOND_LADDER_SIGNALS", "4"))):
                    target.write_bytes(OLD)
                    child = subprocess.Popen([PROGRAM, *map(str, words), str(target)], stdout=subprocess.DEVNULL,
                                             stderr=subprocess.PIPE)
                    time.sleep(dice.random() * took * 1.1)
                    child.send_signal(how)
                    told = child.communicate(timeout=60)[1]
                    with self.subTest(name=name, status=child.returncode):
                        self.assertIn(child.returncode, (0, 1, -how))
                        if child.returncode == -how and told:
                            self.assertIn(b"interrupted", told)
                        if target.read_bytes() != OLD:
                            self.assert_same(name, target.read_bytes(), whole)
                        self.assertEqual(set(self.folder.iterdir()), {target})
            target.unlink()

    def test_a_disk_that_is_full_leaves_the_old_file(self):
        """A real one, of two blocks, where this machine lets anybody mount one."""
        script = ('target=$1; shift; mount -t tmpfs -o size=8k none "$FOLDER" || exit 99; '
                  'printf "what stood here before\n" > "$target"; "$@" "$target"; status=$?; '
                  'cp "$target" "$FOLDER.after"; ls -A "$FOLDER" > "$FOLDER.names"; exit $status')
        if subprocess.run(["unshare", "-rm", "mount", "-t", "tmpfs", "none", self.folder], capture_output=True, check=False).returncode:
            self.skipTest("no file system can be mounted here")
        full = 0
        for name, words in WRITES.items():
            if words[0] == "new":
                continue  # it writes over nothing
            whole = self.whole(words, self.folder / name)
            done = subprocess.run(["unshare", "-rm", "sh", "-c", script, "sh", self.folder / name, PROGRAM, *map(str, words)],
                                  env={**os.environ, "FOLDER": str(self.folder)}, capture_output=True, check=False)
            with self.subTest(name=name, err=done.stderr):
                after = pathlib.Path(f"{self.folder}.after").read_bytes()
                self.assertEqual(pathlib.Path(f"{self.folder}.names").read_text(), name + "\n", "something is left behind")
                if len(whole) > 4096:
                    full += 1
                    self.assertEqual((done.returncode, after), (2, OLD))
                    self.assertEqual(done.stderr.count(b"error: "), 1)
                    self.assertIn(os.strerror(errno.ENOSPC).encode(), done.stderr)
                else:
                    self.assertIn(done.returncode, (0, 1))
                    self.assert_same(name, after, whole)
        self.assertGreater(full, 3)

    def test_files_larger_than_they_may_be_leave_the_old_one(self):
        """As with a quota: the system refuses to write on. And a limit of the program's time."""
        for name, command in WRITES.items():
            target = self.folder / name
            old = set() if name.startswith("new") else {target}  # that one never writes over a file
            for file in old:
                file.write_bytes(OLD)
            done = subprocess.run([PROGRAM, *map(str, command), str(target)], capture_output=True, text=True, check=False,
                                  preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_FSIZE, (100, 100)))
            with self.subTest(name):
                self.assertEqual(done.returncode, 2, done.stderr)
                self.assertIn(f"{target}: cannot write the file: File too large", done.stderr)
                self.assertEqual(set(self.folder.iterdir()), old)
                for file in old:
                    self.assertEqual(file.read_bytes(), OLD)
            target.unlink(missing_ok=True)
        endless = ["map", CONSOLE, "--width", "1..30000", "--height", "1..30000", "-o", str(self.folder / "map.svg")]
        done = subprocess.run([PROGRAM, *map(str, endless)], capture_output=True, text=True, check=False,
                              preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_CPU, (1, 5)))
        self.assertEqual((done.returncode, done.stderr[-25:]), (-signal.SIGXCPU, "fond-ladder: interrupted\n"))
        self.assertEqual(list(self.folder.iterdir()), [])

    def test_a_clock_that_jumps_changes_nothing(self):
        jumps = {"LD_PRELOAD": str(LIBRARY), "FOND_LADDER_CLOCK_JUMPS": "1"}
        for words in (["measure", CONSOLE, "--at", "900x600"], ["check", QUICK], ["lint", QUICK], ["tidy", CONSOLE],
                      ["sweep", QUICK], ["report", QUICK, "-o", "-"], ["draw", CONSOLE, "--at", "900x600", "--as", "svg", "-o", "-"]):
            calm, jumping = call(words), call(words, jumps)
            self.assertEqual((calm.returncode, calm.stdout), (jumping.returncode, jumping.stdout), words)
        timed = call(["check", QUICK, "--junit", self.folder / "junit.xml"], jumps)
        self.assertEqual(timed.returncode, call(["check", QUICK]).returncode)
        for seconds in re.findall(r'time="([^"]+)"', (self.folder / "junit.xml").read_text()):
            self.assertTrue(0 <= float(seconds) < 60, seconds)

    def test_a_scene_that_changes_while_preview_reads_it(self):
        scene = self.folder / "changing.scene.json"
        texts = [CONSOLE.read_bytes(), QUICK.read_bytes()]
        scene.write_bytes(texts[0])
        server = subprocess.Popen([PROGRAM, "preview", scene], stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True,
                                  env={**os.environ, "LD_PRELOAD": str(LIBRARY), "FOND_LADDER_CLOCK_JUMPS": "1"})
        try:
            address = re.search(r"http://\S+/", server.stdout.readline())[0]
            stop = threading.Event()

            def change():
                dice = random.Random(20261127)
                while not stop.is_set():
                    text = dice.choice(texts)
                    how = dice.randrange(4)
                    if how == 0:  # in pieces
                        with scene.open("wb", buffering=0) as file:
                            for begin in range(0, len(text), 700):
                                file.write(text[begin:begin + 700])
                    elif how == 1:
                        scene.write_bytes(text)
                    elif how == 2:
                        (self.folder / "next").write_bytes(text)
                        (self.folder / "next").replace(scene)
                    else:
                        scene.unlink(missing_ok=True)

            changing = threading.Thread(target=change)
            changing.start()
            whole = 0
            for _ in range(300):
                with contextlib.suppress(urllib.error.HTTPError), urllib.request.urlopen(address + "scene", timeout=20) as answer:
                    text = answer.read()
                    self.assertTrue(any(known.startswith(text) for known in texts), text[:80])
                    whole += text in texts
                with urllib.request.urlopen(address, timeout=20) as answer:
                    self.assertIn(b"</html>", answer.read()[-20:])
                self.assertIsNone(server.poll())
            stop.set()
            changing.join()
            self.assertGreater(whole, 0)
            scene.write_bytes(texts[0])
            text, until = b"", time.monotonic() + 120  # it looks at the file now and then
            while text != texts[0] and time.monotonic() < until:
                with contextlib.suppress(urllib.error.HTTPError), urllib.request.urlopen(address + "scene", timeout=20) as answer:
                    text = answer.read()
            self.assertEqual(text, texts[0])
        finally:
            server.kill()
            server.communicate()

    def test_of_two_writers_one_wins(self):
        target = self.folder / "house.png"
        first = ["draw", CONSOLE, "--at", "900x600", "-o"]
        second = ["draw", CONSOLE, "--at", "600x600", "-o"]
        both = [self.whole(words, target) for words in (first, second)]
        for _ in range(4):
            children = [subprocess.Popen([PROGRAM, *map(str, words), str(target)], stderr=subprocess.DEVNULL)
                        for words in (first, second, first, second)]
            self.assertEqual([child.wait() for child in children], [0] * 4)
            self.assertIn(target.read_bytes(), both)
            self.assertEqual(set(self.folder.iterdir()), {target})


if __name__ == "__main__":
    unittest.main(argv=[sys.argv[0], *sys.argv[4:]])
