"""First paint of Day against a bare page with the same component library from the same server, and the script that each loads.

    ./bench first-paint

Builds the bare page into the build that is served, starts `./start` on a port of its own, and takes both away again.
"""

import json
import os
import shutil
import signal
import subprocess
import sys
import tempfile
from pathlib import Path
from statistics import median
from typing import Any

from playwright.sync_api import Browser, Page, sync_playwright

ROOT = Path(__file__).resolve().parents[1]
PORT = os.environ.get("AMVEL_PORT", "8497")
ROUNDS, AIM = 9, 1.5
ARGS = ["--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync"]
BARE = """
import '@fontsource/atkinson-hyperlegible/400.css'
import 'element-plus/theme-chalk/base.css'
import 'element-plus/theme-chalk/el-button.css'
import 'element-plus/theme-chalk/el-input.css'
import { ElButton, ElInput } from 'element-plus'
import { createApp, h } from 'vue'
createApp({ render: () => h('main', [h('h1', 'A page'), h(ElInput), h(ElButton, () => 'Go')]) }).mount('#app')
"""
HTML = '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>bare</title></head><body><div id="app"></div><script type="module" src="./main.js"></script></body></html>'

Figures = tuple[float, ...]  # first paint (ms), heading stands (ms), script (kB)
# Noted in the frame that shows the heading of the page.
WATCH = """
new MutationObserver((_, watching) => {
  if (!document.querySelector('h1')) return
  watching.disconnect()
  requestAnimationFrame(() => { window.headingStoodAt = performance.now() })
}).observe(document, { childList: true, subtree: true })
"""


def main() -> int:
    bare = ROOT / "web" / "dist" / "bare"
    try:
        _build(bare)
        with subprocess.Popen([str(ROOT / "start")], env={**os.environ, "AMVEL_PORT": PORT}, stdout=subprocess.PIPE, text=True, start_new_session=True) as server:
            try:
                _wait(server)
                found = _measured()
            finally:
                os.killpg(server.pid, signal.SIGTERM)
                server.wait(60)
    finally:
        shutil.rmtree(bare, ignore_errors=True)
    day, plain = found["day"], found["bare"]
    print("| page | first paint, ms | its text stands, ms | script, kB |\n|---|---|---|---|")
    for name, (paint, stands, script) in found.items():
        print(f"| {name} | {paint:.0f} | {stands:.0f} | {script:.0f} |")
    print(f"\nDay against a bare page: first paint {day[0] / plain[0]:.2f}, its text stands {day[1] / plain[1]:.2f} (aim ≤ {AIM})")
    return 0


def _build(to: Path) -> None:
    with tempfile.TemporaryDirectory(dir=ROOT / "web") as folder:
        (Path(folder) / "main.js").write_text(BARE)
        (Path(folder) / "index.html").write_text(HTML)
        build = ["npx", "vite", "build", folder, "--config", "/dev/null", "--configLoader", "native", "--base", "/bare/", "--outDir", str(to), "--emptyOutDir"]
        subprocess.run(build, cwd=ROOT / "web", check=True, stdout=subprocess.DEVNULL)


def _wait(server: "subprocess.Popen[str]") -> None:
    assert server.stdout is not None
    for line in server.stdout:
        if line.startswith("Amvel:"):
            return
    raise SystemExit("./start ended before it was ready")


def _measured() -> dict[str, Figures]:
    with sync_playwright() as play:
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        state = _logged_in(browser)
        pages = {"bare": "/bare/index.html", "day": "/day"}
        rounds: dict[str, list[Figures]] = {name: [] for name in pages}
        for _ in range(ROUNDS):  # in turn, so that what else the machine does meets both alike
            for name, path in pages.items():
                rounds[name].append(_cold(browser, state, path))
        browser.close()
    return {name: tuple(median(figure) for figure in zip(*took, strict=True)) for name, took in rounds.items()}


def _logged_in(browser: Browser) -> Any:
    page = browser.new_page()
    page.goto(f"http://127.0.0.1:{PORT}/")
    page.fill("input[name=username]", "demo")
    page.fill("input[name=password]", "weavers-yard-demo")
    page.get_by_role("button", name="Come in").click()
    page.get_by_role("heading", name="Today").wait_for()
    return page.context.storage_state()


def _cold(browser: Browser, state: Any, path: str) -> Figures:
    """First contentful paint and the moment from which the heading of the page stands, ms, and script that came over the line,
    kB, with nothing kept from before."""
    context = browser.new_context(storage_state=state, service_workers="block")
    page: Page = context.new_page()
    page.add_init_script(WATCH)
    page.goto(f"http://127.0.0.1:{PORT}{path}", wait_until="networkidle")
    found = json.loads(
        page.evaluate(
            "() => JSON.stringify([performance.getEntriesByName('first-contentful-paint')[0].startTime, window.headingStoodAt,"
            " performance.getEntriesByType('resource').filter(r => /\\.js/.test(r.name)).reduce((n, r) => n + r.encodedBodySize, 0) / 1000])"
        )
    )
    context.close()
    return tuple(found)


if __name__ == "__main__":
    sys.exit(main())
