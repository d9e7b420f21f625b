# SPDX-License-Identifier: MIT
"""A headless browser with the page in it, driven as a hand would."""

import base64
import contextlib
import http.client
import json
import os
import pathlib
import re
import select
import signal
import socket
import subprocess
import tempfile
import time
import unittest

from selenium import webdriver
from selenium.common.exceptions import ElementClickInterceptedException, StaleElementReferenceException
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

ROOT = pathlib.Path(__file__).resolve().parents[2]
PROGRAM = os.environ.get("FOND_LADDER", str(ROOT / "build/release/src/fond-ladder"))
QUIET = ("--headless=new --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking "
         "--disable-component-update --disable-sync --disable-dev-shm-usage --hide-scrollbars").split()
PATIENCE = 20  # seconds that anything may take here


def program(*words, check=True):
    """What the program answers, run where its sample files are."""
    done = subprocess.run([PROGRAM, *map(str, words)], cwd=ROOT, capture_output=True, text=True, timeout=120)
    if check and done.returncode > 1:
        raise AssertionError(f"{words}: {done.stderr}")
    return done


def wait(what, truth, patience=PATIENCE):
    """Until `truth` holds, which is returned."""
    end = time.monotonic() + patience
    while time.monotonic() < end:
        value = truth()
        if value:
            return value
        time.sleep(0.02)
    raise AssertionError(f"waited in vain for {what}")


class Browser:
    def __init__(self, width=1280, height=800, dark=False, before="", touch=False):
        options = Options()
        options.binary_location = "/usr/bin/chromium"
        for word in [*QUIET, f"--window-size={width},{height}"]:
            options.add_argument(word)
        options.set_capability("goog:loggingPrefs", {"browser": "ALL", "performance": "ALL"})
        self.folder = tempfile.TemporaryDirectory()
        self.downloads = pathlib.Path(self.folder.name) / "downloads"
        self.driver = webdriver.Chrome(service=Service("/usr/bin/chromedriver"), options=options)
        self.driver.set_script_timeout(PATIENCE * 6)
        self.command("Emulation.setDeviceMetricsOverride", width=width, height=height, deviceScaleFactor=1, mobile=False)
        self.command("Browser.setDownloadBehavior", behavior="allow", downloadPath=str(self.downloads))
        if touch:
            self.command("Emulation.setTouchEmulationEnabled", enabled=True)
        if dark:
            self.command("Emulation.setEmulatedMedia", features=[{"name": "prefers-color-scheme", "value": "dark"}])
        if before:
            self.command("Page.addScriptToEvaluateOnNewDocument", source=before)

    def command(self, name, **values):
        return self.driver.execute_cdp_cmd(name, values)

    def close(self):
        self.driver.quit()
        self.folder.cleanup()

    def open(self, address):
        self.driver.get(address)
        self.run("await window.fondLadder.ready")
        return self

    def report(self, scene, *options):
        """Opens the page of a scene from a file."""
        page = pathlib.Path(self.folder.name) / "page.html"
        program("report", scene, "-o", page, *options)
        return self.open(page.as_uri())

    def run(self, script, *values):
        """Runs a script with `api` and its values as `a`; what it returns, or what it threw as an exception."""
        told = self.driver.execute_async_script(
            "const done = arguments[arguments.length - 1], a = [...arguments].slice(0, -1), api = window.fondLadder;"
            f"(async () => {{ {script} }})().then((value) => done({{ value }}), (error) => done({{ error: String(error.message ?? error) }}))",
            *values)
        if "error" in told:
            raise Refused(told["error"])
        return told["value"]

    def find(self, selector):
        return self.driver.find_element(By.CSS_SELECTOR, selector)

    def all(self, selector):
        return self.driver.find_elements(By.CSS_SELECTOR, selector)

    def text(self, selector):
        return self.driver.execute_script("return document.querySelector(arguments[0])?.textContent ?? ''", selector)

    def texts(self, selector):
        return self.driver.execute_script(
            "return [...document.querySelectorAll(arguments[0])].map((one) => one.textContent)", selector)

    def click(self, text, within="body"):
        """Clicks the button of that text, which may just be replaced by a new one."""
        def clicked():
            try:
                buttons = [one for one in self.all(within + " button") if one.text == text]
                if buttons:
                    buttons[0].click()
                return buttons
            except (StaleElementReferenceException, ElementClickInterceptedException):
                return False
        self.wait(f"a button {text} in {within}", clicked)
        self.settle()

    def wait(self, what, truth):
        return wait(what, truth)

    def wait_for_text(self, selector, text):
        return self.wait(f"{text!r} in {selector} (it says {self.text(selector)!r})", lambda: text in self.text(selector))

    def drag(self, element, x, y):
        (ActionChains(self.driver, duration=10).move_to_element(element).click_and_hold()
         .move_by_offset(x // 2, y // 2).move_by_offset(x - x // 2, y - y // 2).release().perform())
        self.settle()

    def finger(self, x, y, *moves):
        """A finger on a point of the window, that goes by some ways and is lifted."""
        self.command("Input.dispatchTouchEvent", type="touchStart", touchPoints=[{"x": x, "y": y}])
        for by_x, by_y in moves:
            x, y = x + by_x, y + by_y
            self.command("Input.dispatchTouchEvent", type="touchMove", touchPoints=[{"x": x, "y": y}])
        self.command("Input.dispatchTouchEvent", type="touchEnd", touchPoints=[])
        self.settle()

    def hands(self):
        return ActionChains(self.driver, duration=10)

    def press(self, key, shift=False):
        hands = self.hands()
        if shift:
            hands.key_down(Keys.SHIFT)
        hands.send_keys(key)
        if shift:
            hands.key_up(Keys.SHIFT)
        hands.perform()
        self.settle()

    def unfold(self, panel):
        """Opens a panel by a click on its name."""
        def is_open():
            if not self.find(panel).get_attribute("open"):
                self.find(panel + " summary").click()  # may miss what is just moving
            return self.find(panel).get_attribute("open")
        self.wait(f"{panel} open", is_open)

    def type_into(self, selector, text):
        field = self.find(selector)
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(text, Keys.ENTER)
        self.settle()

    def settle(self):
        """Two pictures of the screen later."""
        self.run("await new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)))")

    def size(self):
        return self.run("return api.size()")

    def selected(self):
        return self.run("return api.selected()")

    def messages(self):
        """What the browser complained of."""
        return [one["message"] for one in self.driver.get_log("browser") if one["level"] in ("SEVERE", "WARNING")]

    def requests(self):
        """Every address that anything was asked of."""
        addresses = []
        for entry in self.driver.get_log("performance"):
            message = json.loads(entry["message"])["message"]
            if message["method"] == "Network.requestWillBeSent":
                addresses.append(message["params"]["request"]["url"])
        return addresses

    def picture(self):
        return base64.b64decode(self.command("Page.captureScreenshot", format="png")["data"])


class Preview:
    """The program, serving."""

    def __init__(self, scene, *options):
        self.process = subprocess.Popen([PROGRAM, "preview", str(scene), *options], stdout=subprocess.PIPE,
                                        stderr=subprocess.PIPE, text=True)
        ready, _, _ = select.select([self.process.stdout], [], [], 20)
        self.line = self.process.stdout.readline() if ready else ""
        address = re.search(r"http://127\.0\.0\.1:(\d+)/", self.line)
        if not address:
            raise AssertionError(f"no address in {self.line!r}: {self.process.communicate()[1]}")
        self.address, self.port = address[0], int(address[1])

    def ask(self, path="/", method="GET", body=None, **headers):
        with contextlib.closing(http.client.HTTPConnection("127.0.0.1", self.port, timeout=10)) as connection:
            connection.request(method, path, body, {name.replace("_", "-"): value for name, value in headers.items()})
            answer = connection.getresponse()
            return answer.status, answer.read(), answer

    def token(self):
        """What the page is given to show."""
        return re.search(rb'"token": ?"([0-9a-f]*)"', self.ask()[1])[1].decode()

    def watching_request(self):
        return f"GET /changes?token={self.token()} HTTP/1.1\r\nHost: 127.0.0.1:{self.port}\r\n\r\n".encode()

    def watch(self):
        """A connection on which the version of the file is told."""
        watching = socket.create_connection(("127.0.0.1", self.port), timeout=60)
        watching.sendall(self.watching_request())
        return watching

    def version(self):
        with self.watch() as watching:
            told = b""
            while not (found := re.search(rb"data: (\d+)\n", told)):
                told += watching.recv(4096)
            return found[1].decode()

    def stop(self, how=signal.SIGINT):
        self.process.send_signal(how)
        return self.process.wait(60)

    def __enter__(self):
        return self

    def __exit__(self, *_):
        if self.process.poll() is None:
            self.process.kill()
        self.process.communicate()


class Refused(Exception):
    """The page said no."""


class PageTest(unittest.TestCase):
    """Tests that share one browser."""

    @classmethod
    def setUpClass(cls):
        cls.page = Browser()

    @classmethod
    def tearDownClass(cls):
        cls.page.close()
