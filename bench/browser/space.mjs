// A scheme in space without a graphics processor: from the press to the first picture, and frames while it is orbited; the demo's hall, then plans given as files.
import { createRequire } from "node:module";
import { join } from "node:path";

const [url, ...files] = process.argv.slice(2);
const { chromium } = createRequire(join(import.meta.dirname, "..", "..", "web/package.json"))("@playwright/test");
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: ["--no-sandbox", "--use-angle=swiftshader", "--enable-unsafe-swiftshader"],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(url);
await page.getByLabel("E-mail address").fill("n.ash@tidemill.example");
await page.getByLabel("Password").fill("orchard-supper");
await page.getByRole("button", { name: "Sign in" }).click();
const middle = (times) => times.toSorted((a, b) => a - b)[times.length >> 1];

async function measured(name) {
  await page.getByRole("option").first().waitFor({ state: "attached" });
  await page.getByRole("button", { name: /Furnish/ }).first().click();
  await page.waitForTimeout(1500);
  const start = performance.now();
  await page.getByRole("button", { name: "In space", exact: true }).click();
  await page.locator("canvas[data-ready=true]").waitFor({ timeout: 60_000 });
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  const first = performance.now() - start;
  await page.getByRole("button", { name: "Alone", exact: true }).click();
  await page.waitForTimeout(1500);
  const box = await page.locator("canvas[data-ready=true]").boundingBox();
  const frames = page.evaluate(
    () =>
      new Promise((done) => {
        const times = [];
        let last = performance.now();
        const tick = (now) => {
          times.push(now - last);
          last = now;
          if (times.length < 90) requestAnimationFrame(tick);
          else done(times.slice(10));
        };
        requestAnimationFrame(tick);
      }),
  );
  await page.mouse.move(box.x + 300, box.y + 300);
  await page.mouse.down();
  let isDone = false;
  void frames.then(() => (isDone = true));
  for (let i = 0; !isDone && i < 2000; i++) await page.mouse.move(box.x + 300 + (i % 200), box.y + 300 + (i % 40));
  await page.mouse.up();
  const times = await frames;
  console.log(`${name} | first picture ${first.toFixed(0)} ms | orbit median ${middle(times).toFixed(1)} ms a frame, worst ${Math.max(...times).toFixed(0)}`);
  await page.getByRole("button", { name: "Close", exact: true }).click();
}

await page.getByRole("link", { name: /Orchard supper/ }).first().click();
await measured("the demo's hall, 96 seats");
for (const file of files) {
  await page.goto(url);
  await page.getByText("Tidemill House").first().waitFor();
  await page.locator("input[type=file]").first().setInputFiles(file);
  await measured(file.split("/").at(-1));
}
await browser.close();
