// First use of the editor, then frames while panning, zooming and dragging with many items: median and 95th percentile in ms.
import { readFileSync, readdirSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { join } from "node:path";
import { chromium, root, signIn } from "./signedIn.mjs";

const [url, file] = process.argv.slice(2);
const assets = join(root, "src/Wellsedes.Server/wwwroot/assets");
const scripts = readdirSync(assets).filter((name) => name.endsWith(".js"));
const bytes = scripts.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0);
console.log(`first script load | ${(bytes / 1000).toFixed(1)} kB gzip in ${scripts.length} files`);

for (const ratio of [1, 2]) {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", `--force-device-scale-factor=${ratio}`, "--window-size=1280,800"],
  });
  const context = await browser.newContext({ viewport: null });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send("Emulation.setDeviceMetricsOverride", { width: 1280, height: 800, deviceScaleFactor: 0, mobile: false });
  // The live link passes through here, so that a delay can be put on it (ms each way).
  let delay = 0;
  await page.routeWebSocket(/\/live/, (socket) => {
    const server = socket.connectToServer();
    socket.onMessage((message) => (delay ? setTimeout(() => server.send(message), delay) : server.send(message)));
    server.onMessage((message) => (delay ? setTimeout(() => socket.send(message), delay) : socket.send(message)));
  });
  await signIn(page, url);
  await page.getByText("Tidemill House").first().waitFor();
  if (ratio === 1) {
    const demo = await page.getByRole("link", { name: /Orchard supper/ }).getAttribute("href");
    const times = [];
    for (let i = 0; i < 5; i++) {
      const fresh = await context.newPage();
      const start = performance.now();
      await fresh.goto(`${url}/${demo}`);
      await fresh.getByRole("option", { name: /Table 4/ }).waitFor({ state: "attached" });
      times.push(performance.now() - start);
      await fresh.close();
    }
    times.sort((a, b) => a - b);
    console.log(`first use to an interactive plan | median ${times[2].toFixed(0)} ms | worst ${times[4].toFixed(0)} ms | 5 runs`);
  }
  await page.locator("input[type=file]").first().setInputFiles(file);
  await page.getByTestId("plan").waitFor();
  await page.waitForTimeout(3000);
  const box = await page.getByTestId("plan").boundingBox();
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };

  const frames = async (name, work) => {
    await page.evaluate(() => {
      window.frameTimes = [];
      let last = performance.now();
      const step = (now) => {
        window.frameTimes.push(now - last);
        last = now;
        if (window.frameTimes) requestAnimationFrame(step);
      };
      requestAnimationFrame(step);
    });
    await work();
    const times = await page.evaluate(() => {
      const taken = window.frameTimes.slice(2);
      window.frameTimes = null;
      return taken;
    });
    times.sort((a, b) => a - b);
    const at = (q) => times[Math.min(times.length - 1, Math.floor(times.length * q))].toFixed(1);
    console.log(`${name}, 10,000 items, pixel ratio ${ratio} | median ${at(0.5)} ms | p95 ${at(0.95)} ms | ${times.length} frames`);
    await page.waitForTimeout(400);
  };
  const pan = async () => {
    await page.mouse.move(middle.x, middle.y);
    await page.mouse.down({ button: "middle" });
    for (let i = 0; i < 120; i++) {
      await page.mouse.move(middle.x + 150 * Math.sin(i / 12), middle.y + 100 * Math.sin(i / 17));
      await page.waitForTimeout(10);
    }
    await page.mouse.up({ button: "middle" });
  };
  await frames("pan, whole plan", pan);
  await frames("zoom", async () => {
    for (let i = 0; i < 60; i++) {
      await page.mouse.wheel(0, i < 40 ? -100 : 100);
      await page.waitForTimeout(20);
    }
  });
  await frames("pan, at work", pan);
  const drag = async () => {
    const options = await page.getByRole("option").all();
    const target = await options[Math.floor(options.length / 2)].boundingBox();
    const from = { x: target.x + target.width / 2, y: target.y + target.height / 2 };
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (let i = 0; i < 100; i++) {
      await page.mouse.move(from.x + 80 * Math.sin(i / 9), from.y + 60 * Math.sin(i / 13));
      await page.waitForTimeout(10);
    }
    await page.keyboard.press("Escape");
    await page.mouse.move(from.x, from.y);
    await page.mouse.up();
  };
  await frames("drag one", drag);
  if (ratio === 1) {
    delay = 50;
    await frames("drag one, 100 ms added on the way", drag);
    delay = 0;
  }
  await browser.close();
}
