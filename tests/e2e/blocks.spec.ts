import { items, jobIn, type Placed } from "./furnish";
import { expect, test, type Page } from "./page";
import { sheetRows } from "./sheet";

const tables = async (page: Page) =>
  (await items(page)).filter((i) => i.catalogue.startsWith("round-table"));

const holds = (page: Page) => page.getByLabel("What the block holds");

test("a block of round tables: drawn, seated, filled again as its edge is dragged and a thing is set into it", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  const job = await jobIn(planner, "Block", "18000", "13000");
  await job.press("Seating block by corners");
  // Away from what draws a hand: exactly where it is pressed, and square.
  await job.click(1500, 1500);
  await job.side(9000, 1500, "15000");
  await job.side(16500, 6000, "10000");
  await job.side(9000, 11500, "15000");
  await job.press("Close");
  await expect(holds(page)).toContainText("tables");
  const all = await tables(page);
  expect(all.length).toBeGreaterThan(8);
  await expect(holds(page)).toContainText(`${all.length} tables`);
  await job.set("Seats a table", "6");
  await expect(holds(page)).toContainText(
    `${6 * (await tables(page)).length} seats`,
  );
  const six = await tables(page);
  await expect(planner.tally).toContainText(`${6 * six.length}`);
  // Its upper right corner is drawn in: while the hand moves, tables and figures follow.
  const corner = (await page.getByLabel(/^Corner 3; drag it/).boundingBox())!;
  const to = await planner.at(16_500, 5500);
  await page.mouse.move(corner.x + 6, corner.y + 6);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await expect
    .poll(async () =>
      Number(
        (
          await planner.tally
            .locator("dl > div", { hasText: /^\s*Tables/ })
            .locator("dd")
            .innerText()
        ).match(/\d+/)![0],
      ),
    )
    .toBeLessThan(six.length);
  await page.mouse.up();
  job.actions++;
  await expect
    .poll(async () => (await tables(page)).length)
    .toBeLessThan(six.length);
  await planner.saved();
  const drawnIn = await tables(page);
  const ids = new Set(six.map((i) => i.id));
  expect(drawnIn.every((i) => ids.has(i.id))).toBe(true);
  // Taken back, every table is where it was.
  await page.keyboard.press("Control+z");
  const places = (list: Placed[]) =>
    list.map((i) => `${i.id} ${i.x} ${i.y}`).sort();
  await expect
    .poll(async () => places(await tables(page)))
    .toEqual(places(six));
  // A wanted number, said where it is not reached.
  await job.set("Wanted", "200");
  await expect(holds(page)).toContainText(`${six.length} of 200 tables`);
  await job.set("Wanted", "9");
  await expect(holds(page)).toContainText("9 of 9 tables");
  await job.set("Wanted", "");
  await expect(holds(page)).toContainText(`${six.length} tables`);
  // What would hold more is found by trying; one press takes it.
  await job.press("How could it hold more?");
  const offer = page
    .getByRole("list", { name: "It would hold more with" })
    .getByRole("button")
    .first();
  const promised =
    6 * six.length +
    Number((await offer.innerText()).match(/(\d+) seats more/)![1]);
  expect(promised).toBeGreaterThan(6 * six.length);
  await offer.click();
  await expect(holds(page)).toContainText(`${promised} seats`);
  await page.keyboard.press("Control+z");
  await expect(holds(page)).toContainText(`${six.length} tables`);
  // One moved by hand stays, one removed leaves its place empty.
  await page.keyboard.press("Escape");
  const first = (await tables(page))[0]!;
  await planner.item(/^Table 1,/).focus();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Shift+ArrowRight");
  await planner.saved();
  await expect
    .poll(async () => (await tables(page)).find((i) => i.id === first.id)!.x)
    .toBeCloseTo(first.x + 100, 3);
  await page.keyboard.press("Delete");
  await expect
    .poll(async () => (await tables(page)).some((i) => i.id === first.id))
    .toBe(false);
  // Where something is set into a block its tables make way.
  const before = (await tables(page)).length;
  await page.getByLabel("Search the catalogue").fill("buffet");
  await page
    .getByRole("list", { name: "Catalogue items" })
    .getByRole("button", { name: /^Buffet table/ })
    .first()
    .click();
  await job.click(9000, 6500);
  await expect
    .poll(async () =>
      (await items(page)).some((i) => i.catalogue.startsWith("buffet")),
    )
    .toBe(true);
  await planner.saved();
  expect((await tables(page)).length).toBeLessThanOrEqual(before);
  const figures = await sheetRows(page);
  const left = (await tables(page)).length;
  expect(figures).toMatch(new RegExp(`Round table 1525 [^\\n]*\\| ${left}\\b`));
  await expect(page.getByText(/stands in/)).toHaveCount(0);
  job.done("A block of round tables");
});
