// A plan of many items opened on loopback: from its address to an item that can be chosen, and what its page holds in memory then.
import { openFile, signedIn } from "./signedIn.mjs";

const [url, file] = process.argv.slice(2);
const { browser, context, page } = await signedIn(url, ["--disable-gpu", "--enable-precise-memory-info"]);
await openFile(page, file);
const address = page.url();
const memory = async (on) => {
  const session = await context.newCDPSession(on);
  await session.send("HeapProfiler.collectGarbage");
  return (await session.send("Runtime.getHeapUsage")).usedSize / 1e6;
};
// What the program itself holds, with no plan open.
await page.goto(url);
await page.getByText("Tidemill House").first().waitFor();
const without = await memory(page);
const times = [];
let held = 0;
let bytes = 0;
for (let i = 0; i < 5; i++) {
  const fresh = await context.newPage();
  bytes = 0;
  const session = await context.newCDPSession(fresh);
  await session.send("Network.enable");
  session.on("Network.loadingFinished", (e) => (bytes += e.encodedDataLength));
  const start = performance.now();
  await fresh.goto(address);
  await fresh.getByRole("option").first().waitFor({ state: "attached" });
  times.push(performance.now() - start);
  await fresh.waitForTimeout(1500);
  held = Math.max(held, await memory(fresh));
  await fresh.close();
}
times.sort((a, b) => a - b);
console.log(`opened to choosable | median ${times[2].toFixed(0)} ms | worst ${times[4].toFixed(0)} ms | 5 runs`);
console.log(`held by the page | ${held.toFixed(1)} MB, ${without.toFixed(1)} MB of them without a plan | ${(bytes / 1e6).toFixed(2)} MB came over the link`);
await browser.close();
