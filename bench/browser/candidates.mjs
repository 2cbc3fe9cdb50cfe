// From the press on a style to its candidates on the screen, and to their ways judged: median and largest of each in ms.
// node bench/browser/candidates.mjs URL FILE, the file being a hall by `Wellsedes.Bench hall FILE`.
import { openFile, signedIn } from "./signedIn.mjs";

const [url, file] = process.argv.slice(2);
const { browser, page } = await signedIn(url);
await openFile(page, file);
await page.waitForTimeout(2000);
await page.getByRole("navigation", { name: "Stages" }).getByText("Furnish").click();
await page.getByRole("button", { name: /Seat people/ }).click();
await page.getByRole("list", { name: "Candidates" }).getByRole("button").first().waitFor();
await page.waitForTimeout(3000);

/** Presses a style; when the list is other than before, and when its ways are told. */
const press = (style) =>
  page.evaluate(async (name) => {
    const list = () => document.querySelector('[aria-label="Candidates"]')?.textContent ?? "";
    const button = [...document.querySelectorAll("button")].find((one) => one.textContent.trim() === name);
    const before = list();
    const began = performance.now();
    button.click();
    const when = async (is) => {
      while (!is(list())) await new Promise(requestAnimationFrame);
      await new Promise(requestAnimationFrame);
      return performance.now() - began;
    };
    const first = await when((text) => text !== before && text.length > 0);
    const judged = await when((text) => text !== before && text.includes("Narrowest way"));
    return [first, judged];
  }, style);
const styles = await page.evaluate(() =>
  [...document.querySelectorAll("button")].map((one) => one.textContent.trim()).filter((text) => /^(Round|Half rounds|Half)/.test(text)),
);
const times = [[], []];
for (let i = 0; i < 24; i++) {
  const one = await press(styles[i % 2 === 0 ? 1 : 0]);
  // Those of rounds; the first few compile.
  if (i % 2 === 1 && i > 5) one.forEach((time, k) => times[k].push(time));
  await page.waitForTimeout(700);
}
for (const [i, what] of ["candidates of rounds on the screen", "their ways judged, on the screen"].entries()) {
  const sorted = times[i].sort((a, b) => a - b);
  console.log(`${what} | median ${sorted[sorted.length >> 1].toFixed(0)} | largest ${sorted.at(-1).toFixed(0)} | ${sorted.length} presses`);
}
await browser.close();
