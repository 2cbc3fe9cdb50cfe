// A scheme in space without a graphics processor: from the press to the first picture, and frames while it is orbited; the demo's hall, then plans given as files.
import { openFile, signedIn } from "./signedIn.mjs";

const [url, ...files] = process.argv.slice(2);
const { browser, page } = await signedIn(url, ["--use-angle=swiftshader", "--enable-unsafe-swiftshader"]);
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
  // From one drawing of the scene to the next: frames in which nothing is drawn do not count.
  const frames = page.evaluate(
    () =>
      new Promise((done) => {
        const times = [];
        let last = 0;
        const real = WebGL2RenderingContext.prototype.clear;
        WebGL2RenderingContext.prototype.clear = function (...all) {
          const now = performance.now();
          if (last && now - last > 1) times.push(now - last);
          last = now;
          if (times.length === 60) {
            WebGL2RenderingContext.prototype.clear = real;
            done(times.slice(8));
          }
          return real.apply(this, all);
        };
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

/** Times between frames while something is done. */
const framesWhile = async (what) => {
  await page.evaluate(() => {
    window.frames_ = [];
    let last = performance.now();
    const tick = (now) => {
      window.frames_?.push(now - last);
      last = now;
      if (window.frames_) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await what();
  const times = await page.evaluate(() => {
    const all = window.frames_;
    window.frames_ = null;
    return all.slice(5);
  });
  return `median ${middle(times).toFixed(1)} ms a frame, worst ${Math.max(...times).toFixed(0)}`;
};

/** On one's feet through the hall, and a table dragged on the plan beside it. */
async function lived() {
  await page.getByRole("button", { name: "In space", exact: true }).click();
  const canvas = page.locator("canvas[data-ready=true]");
  await canvas.waitFor();
  await page.getByRole("button", { name: "Alone", exact: true }).click();
  await page.getByRole("button", { name: "Standing", exact: true }).click();
  await page.waitForTimeout(800);
  await canvas.focus();
  const walked = await framesWhile(async () => {
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press(i % 20 < 12 ? "ArrowUp" : "ArrowLeft");
      await page.waitForTimeout(30);
    }
  });
  console.log(`walking through the demo's hall | ${walked}`);
  await page.getByRole("button", { name: "From above", exact: true }).click();
  await page.getByRole("button", { name: "Beside the plan", exact: true }).click();
  await page.waitForTimeout(1500);
  // When something is drawn many times in space, and when the hand moved.
  await page.evaluate(() => {
    window.drawn_ = [];
    for (const name of ["drawArraysInstanced", "drawElementsInstanced"]) {
      const real = WebGL2RenderingContext.prototype[name];
      WebGL2RenderingContext.prototype[name] = function (...all) {
        window.drawn_.push(performance.now());
        return real.apply(this, all);
      };
    }
    window.moved_ = [];
    window.addEventListener("pointermove", () => window.moved_.push(performance.now()), true);
  });
  await page.mouse.move(411, 396);
  await page.mouse.down();
  const dragged = await framesWhile(async () => {
    for (let i = 1; i <= 40; i++) {
      await page.mouse.move(411 + i, 396 + (i % 7));
      await page.waitForTimeout(60);
    }
  });
  const late = await page.evaluate(() =>
    window.moved_.slice(2).map((at) => (window.drawn_.find((drawn) => drawn > at) ?? at + 9999) - at),
  );
  await page.keyboard.press("Escape");
  await page.mouse.up();
  console.log(
    `a table dragged on the plan | shown in space ${middle(late).toFixed(0)} ms later, p95 ${late.toSorted((a, b) => a - b)[Math.floor(late.length * 0.95)].toFixed(0)} | the page ${dragged}`,
  );
  await page.getByRole("button", { name: "Close", exact: true }).click();
}

await page.getByRole("link", { name: /Orchard supper/ }).first().click();
await measured("the demo's hall, 96 seats");
await lived();
for (const file of files) {
  await page.goto(url);
  await openFile(page, file);
  await measured(file.split("/").at(-1));
}
await browser.close();
