// Frames while a thousand of two thousand chairs are dragged together, and how long an answer takes then: median and 95th percentile in ms.
import { openFile, signedIn } from "./signedIn.mjs";

const [url, file] = process.argv.slice(2);
const { browser, page } = await signedIn(url);
await openFile(page, file);
await page.waitForTimeout(3000);
const box = await page.getByTestId("plan").boundingBox();
const screen = (x, y) =>
  page.evaluate(
    ([mx, my]) => document.querySelector("[data-testid=plan]").planView().toScreen({ x: mx, y: my }),
    [x, y],
  );
const items = await page.evaluate(() =>
  document.querySelector("[data-testid=plan]").entities().filter((e) => e.type === "item"),
);
const ys = items.map((item) => item.y).sort((a, b) => a - b);
// A band over the lower half of the chairs.
const [left, right] = [Math.min(...items.map((i) => i.x)) - 400, Math.max(...items.map((i) => i.x)) + 400];
const middle = (ys[999] + ys[1000]) / 2 || ys[999] + 200;
const from = await screen(left, ys[0] - 400);
const to = await screen(right, middle);
await page.mouse.move(box.x + from.x, box.y + from.y);
await page.mouse.down();
await page.mouse.move(box.x + to.x, box.y + to.y, { steps: 4 });
await page.mouse.up();
const selected = await page.locator("aside").last().getByRole("heading", { level: 2 }).textContent();
const held = await screen(items.find((i) => i.y < middle).x, items.find((i) => i.y < middle).y);
await page.evaluate(() => {
  window.frameTimes = [];
  let last = performance.now();
  const step = (now) => {
    window.frameTimes?.push(now - last);
    last = now;
    if (window.frameTimes) requestAnimationFrame(step);
  };
  requestAnimationFrame(step);
});
await page.mouse.move(box.x + held.x, box.y + held.y);
await page.mouse.down();
for (let i = 0; i < 150; i++) {
  await page.mouse.move(box.x + held.x + 40 * Math.sin(i / 9), box.y + held.y + 30 * Math.sin(i / 13));
  await page.waitForTimeout(10);
}
const times = await page.evaluate(() => {
  const taken = window.frameTimes.slice(2);
  window.frameTimes = null;
  return taken;
});
await page.mouse.up();
times.sort((a, b) => a - b);
const at = (q) => times[Math.min(times.length - 1, Math.floor(times.length * q))].toFixed(1);
console.log(`drag of ${selected} together | median ${at(0.5)} ms | p95 ${at(0.95)} ms | ${times.length} frames`);
await browser.close();
