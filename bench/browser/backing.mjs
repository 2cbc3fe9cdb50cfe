// Frames while panning and zooming over a backing of 8 000 by 6 000 pixels, device pixel ratio 1: median and 95th percentile in ms.
import { signedIn } from "./signedIn.mjs";

const [url, picture] = process.argv.slice(2);
const { browser, page } = await signedIn(url, ["--disable-gpu", "--force-device-scale-factor=1"]);
await page.getByLabel("Title of a new plan").fill("Backing");
await page.getByRole("button", { name: "New plan" }).click();
await page.getByTestId("plan").waitFor();
await page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name: "Shell" }).click();
await page.getByRole("button", { name: "Trace a picture or a PDF" }).click();
const start = Date.now();
await page.getByLabel("Picture or PDF to trace").setInputFiles(picture);
await page.getByText("8000 × 6000 pixels").waitFor({ timeout: 60_000 });
console.log(`backing of 8000 x 6000 sent and laid | ${Date.now() - start} ms`);
await page.getByRole("button", { name: "fit" }).click();
await page.waitForTimeout(6000);
const box = await page.getByTestId("plan").boundingBox();
const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };

async function frames(name, work) {
  await page.evaluate(() => {
    window.frameTimes = [];
    let last = performance.now();
    const step = (now) => {
      window.frameTimes.push(now - last);
      last = now;
      window.frameHandle = requestAnimationFrame(step);
    };
    window.frameHandle = requestAnimationFrame(step);
  });
  await work();
  const times = (
    await page.evaluate(() => {
      cancelAnimationFrame(window.frameHandle);
      return window.frameTimes.slice(2);
    })
  ).sort((a, b) => a - b);
  const at = (part) => times[Math.floor(times.length * part)].toFixed(1);
  console.log(`${name} | median ${at(0.5)} ms | p95 ${at(0.95)} ms | ${times.length} frames`);
}

async function pan() {
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down({ button: "middle" });
  for (let i = 0; i < 120; i++) {
    await page.mouse.move(middle.x + 260 * Math.sin(i / 12), middle.y + 160 * Math.cos(i / 9));
    await page.waitForTimeout(12);
  }
  await page.mouse.up({ button: "middle" });
}

async function zoom() {
  await page.mouse.move(middle.x, middle.y);
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, i < 30 ? -100 : 100);
    await page.waitForTimeout(16);
  }
}

await frames("pan over the backing, whole in view", pan);
await frames("zoom over the backing", zoom);
for (let i = 0; i < 12; i++) await page.mouse.wheel(0, -120);
await page.waitForTimeout(800);
await frames("pan over the backing, near", pan);
await browser.close();
