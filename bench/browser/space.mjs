// A scheme in space without a graphics processor: from the press to the first picture, and frames while it is orbited; the demo's hall, then plans given as files.
import { openFile, signedIn } from "./signedIn.mjs";

const [url, ...files] = process.argv.slice(2);
// As a browser does without a graphics processor: the page is put together by its own thread, only what is in space is drawn by a software one. With
// --use-angle=swiftshader the whole page would be, which no browser does by itself: then a drag without anything in space beside it takes 50 ms a frame as well.
const { browser, page } = await signedIn(url, ["--enable-unsafe-swiftshader"]);
const middle = (times) => times.toSorted((a, b) => a - b)[times.length >> 1];

/**
 * Times from one drawing of the scene to the next while it is orbited, frames in which nothing is drawn not counted; the hand holds on.
 * @param isEmpty whether nothing but the ground is drawn.
 */
async function orbited(box, isEmpty) {
  const frames = page.evaluate(
    (isEmpty) =>
      new Promise((done) => {
        const times = [];
        let last = 0;
        const names = [
          "drawArrays",
          "drawElements",
          "drawArraysInstanced",
          "drawElementsInstanced",
          "clear",
        ];
        const real = Object.fromEntries(
          names.map((name) => [name, WebGL2RenderingContext.prototype[name]]),
        );
        if (isEmpty)
          for (const name of names)
            WebGL2RenderingContext.prototype[name] = () => {};
        WebGL2RenderingContext.prototype.clear = function (...all) {
          const now = performance.now();
          if (last && now - last > 1) times.push(now - last);
          last = now;
          if (times.length === 60) {
            Object.assign(WebGL2RenderingContext.prototype, real);
            done(times.slice(8));
          }
          return real.clear.apply(this, all);
        };
      }),
    isEmpty,
  );
  await page.mouse.move(box.x + 300, box.y + 300);
  await page.mouse.down();
  let isDone = false;
  void frames.then(() => (isDone = true));
  for (let i = 0; !isDone && i < 2000; i++)
    await page.mouse.move(box.x + 300 + (i % 200), box.y + 300 + (i % 40));
  return await frames;
}

async function measured(name) {
  await page.getByRole("option").first().waitFor({ state: "attached" });
  await page
    .getByRole("button", { name: /Furnish/ })
    .first()
    .click();
  await page.waitForTimeout(1500);
  const start = performance.now();
  await page.getByRole("button", { name: "In space", exact: true }).click();
  await page.locator("canvas[data-ready=true]").waitFor({ timeout: 60_000 });
  await page.evaluate(
    () =>
      new Promise((done) =>
        requestAnimationFrame(() => requestAnimationFrame(done)),
      ),
  );
  const first = performance.now() - start;
  await page.getByRole("button", { name: "Alone", exact: true }).click();
  await page.waitForTimeout(1500);
  const box = await page.locator("canvas[data-ready=true]").boundingBox();
  const empty = await orbited(box, true);
  await page.mouse.up();
  await page.waitForTimeout(800);
  const times = await orbited(box, false);
  // At rest it is drawn once more, with all its edges, and waited for by reading a point of it.
  const sharp = await page.evaluate(
    () =>
      new Promise((done) => {
        let last = performance.now();
        const { clear, readPixels } = WebGL2RenderingContext.prototype;
        WebGL2RenderingContext.prototype.clear = function (...all) {
          last = performance.now();
          return clear.apply(this, all);
        };
        let read = 0;
        WebGL2RenderingContext.prototype.readPixels = function (...all) {
          readPixels.apply(this, all);
          read = performance.now();
        };
        const from = performance.now();
        setTimeout(() => {
          Object.assign(WebGL2RenderingContext.prototype, {
            clear,
            readPixels,
          });
          done(Math.max(last, read) - from);
        }, 2500);
      }),
  );
  await page.mouse.up();
  console.log(
    `${name} | first picture ${first.toFixed(0)} ms | orbit median ${middle(times).toFixed(1)} ms a frame, worst ${Math.max(...times).toFixed(0)}, ${(middle(times) / middle(empty)).toFixed(1)} times an empty one (${middle(empty).toFixed(1)}) | sharp ${sharp.toFixed(0)} ms after the hand rests`,
  );
  await page.getByRole("button", { name: "Close", exact: true }).click();
}

/** Times between drawings in space while something is done. */
const drawingsWhile = async (what) => {
  await page.evaluate(() => {
    const real = WebGL2RenderingContext.prototype.clear;
    window.drawings_ = { real, times: [], last: 0 };
    WebGL2RenderingContext.prototype.clear = function (...all) {
      const [now, seen] = [performance.now(), window.drawings_];
      if (seen.last && now - seen.last > 1) seen.times.push(now - seen.last);
      seen.last = now;
      return real.apply(this, all);
    };
  });
  await what();
  const times = await page.evaluate(() => {
    WebGL2RenderingContext.prototype.clear = window.drawings_.real;
    return window.drawings_.times.slice(3);
  });
  return `median ${middle(times).toFixed(1)} ms a frame, worst ${Math.max(...times).toFixed(0)}`;
};

/** Times between frames of the page while something is done. */
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
  const walked = await drawingsWhile(async () => {
    // As a key that is held down comes again and again.
    for (let i = 0; i < 90; i++) {
      await page.keyboard.press(i % 20 < 12 ? "ArrowUp" : "ArrowLeft");
      await page.waitForTimeout(10);
    }
  });
  console.log(`walking through the demo's hall | ${walked}`);
  await page.getByRole("button", { name: "From above", exact: true }).click();
  await page
    .getByRole("button", { name: "Beside the plan", exact: true })
    .click();
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
    window.addEventListener(
      "pointermove",
      () => window.moved_.push(performance.now()),
      true,
    );
  });
  const table = await page
    .getByRole("option", { name: /^Table 7/ })
    .boundingBox();
  const [x, y] = [table.x + table.width / 2, table.y + table.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const dragged = await framesWhile(async () => {
    for (let i = 1; i <= 40; i++) {
      await page.mouse.move(x + i, y + (i % 7));
      await page.waitForTimeout(60);
    }
  });
  const late = await page.evaluate(() =>
    window.moved_
      .slice(2)
      .map(
        (at) => (window.drawn_.find((drawn) => drawn > at) ?? at + 9999) - at,
      ),
  );
  await page.keyboard.press("Escape");
  await page.mouse.up();
  console.log(
    `a table dragged on the plan | shown in space ${middle(late).toFixed(0)} ms later, p95 ${late.toSorted((a, b) => a - b)[Math.floor(late.length * 0.95)].toFixed(0)} | the page ${dragged}`,
  );
  await page.getByRole("button", { name: "Close", exact: true }).click();
}

await page
  .getByRole("link", { name: /Orchard supper/ })
  .first()
  .click();
await measured("the demo's hall, 96 seats");
await lived();
for (const file of files) {
  await page.goto(url);
  await openFile(page, file);
  await measured(file.split("/").at(-1));
}
await browser.close();
