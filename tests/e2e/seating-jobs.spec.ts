import { foot, items, put, jobIn } from "./furnish";
import { expect, test, type Page } from "./page";
import { served, sheetRows } from "./sheet";

const of = async (page: Page, start: string) =>
  (await items(page)).filter((i) => i.catalogue.startsWith(start));
const holds = (page: Page) => page.getByLabel("What the block holds");
const candidates = (page: Page) =>
  page.getByRole("list", { name: "Candidates" }).getByRole("button");

test("a hall of 24 x 17 m for 190: ten at each 60 in round, a buffet, a one-sided top table of eight", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  const job = await jobIn(planner, "Dinner for 190", "24000", "17000");
  await put(job, "buffet", /^Buffet table/, 22_900, 8500);
  // The top table first: a block of one-sided tables by corners, turned to the guests.
  await job.press("Seating block by corners");
  await job.click(8500, 14_200);
  await job.side(15_000, 14_200, "7000");
  await job.side(15_500, 16_000, "2400");
  await job.side(8500, 16_600, "7000");
  await job.press("Close");
  await job.setChoice("Seated as", "Training tables");
  await job.setChoice("Table", "Top table 1830");
  await job.set("Guests", "8");
  await job.set("Looks to", "270");
  await expect(holds(page)).toContainText("8 seats");
  expect((await of(page, "top-table")).length).toBe(3);
  await page.keyboard.press("Escape");
  // Everybody else: who comes, how they sit, where.
  await job.press("Seat people…");
  await job.type("Guests", "182");
  await expect(candidates(page).first()).toBeVisible();
  await expect(candidates(page).first()).toContainText(/m² a seat/);
  const count = await candidates(page).count();
  expect(count).toBeGreaterThanOrEqual(2);
  await candidates(page).first().hover();
  job.actions++;
  await candidates(page).first().click();
  await expect(page.getByRole("heading", { name: "Catalogue" })).toBeVisible();
  await job.set("Seats a table", "10");
  await expect(holds(page)).toContainText("182 seats");
  // Ten at each, the last places of some tables left out, so that it is exactly who comes.
  const rounds = await of(page, "round-table-1525");
  expect(rounds.length).toBe(19);
  await expect(planner.tally).toContainText("190");
  const rows = await sheetRows(page);
  expect(rows).toMatch(/Seats \| 190/);
  expect(rows).toMatch(/Top table, one side [^\n]*\| 3\b/);
  await expect(page.getByText(/stands in/)).toHaveCount(0);
  job.done("A dinner for 190");
});

test("a training room of 28 and 28 by two blocks", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  const job = await jobIn(
    planner,
    "Training 28 and 28",
    "40'",
    "54'",
    "FeetInches",
  );
  for (const [style, y, depth] of [
    ["Rows of chairs", 33, "16'"],
    ["Training tables", 3, "26'"],
  ] as const) {
    const to = y + Number.parseInt(depth);
    await job.press("Seating block by corners");
    await job.click(2 * foot, y * foot);
    await job.side(34 * foot, y * foot, "34'");
    await job.side(36 * foot, to * foot, depth);
    await job.side(2 * foot, to * foot, "34'");
    await job.press("Close");
    await job.setChoice("Seated as", style);
    await job.set("Guests", "28");
    await expect(holds(page)).toContainText("28 seats");
    await page.keyboard.press("Escape");
  }
  await expect(planner.tally).toContainText("56");
  expect((await of(page, "stacking-chair")).length).toBe(28);
  expect((await of(page, "training-table")).length).toBe(14);
  const rows = await sheetRows(page);
  expect(rows).toMatch(/Seats \| 56/);
  job.done("A training room of 28 and 28");
});

test("36 x 54 ft with 4 ft rounds of six facing a stage: a row given up by dragging the edge, lamps on chosen tables", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  const job = await jobIn(planner, "Rounds of six", "36'", "54'", "FeetInches");
  await put(job, "stage deck", /^Stage deck 2/, 18 * foot, 51 * foot);
  await job.press("Seating block by corners");
  await job.click(2 * foot, 4 * foot);
  await job.side(30 * foot, 4 * foot, "32'");
  await job.side(34 * foot, 44 * foot, "42'");
  await job.side(2 * foot, 46 * foot, "32'");
  await job.press("Close");
  await job.setChoice("Table", "Round table 1220");
  const six = await of(page, "round-table-1220");
  await expect(holds(page)).toContainText(
    `${six.length} tables, ${6 * six.length} seats`,
  );
  const lines = new Set(six.map((i) => Math.round(i.y)));
  // A lamp on two of them stands at the height of the table.
  const [first, second] = [...six].sort((a, b) => b.y - a.y || a.x - b.x);
  for (const table of [first!, second!])
    await put(job, "table lamp", /^Table lamp/, table.x, table.y);
  const lamps = await of(page, "table-lamp");
  expect(lamps.map((lamp) => lamp.standsOn).sort()).toEqual(
    [first!.id, second!.id].sort(),
  );
  for (const lamp of lamps) expect(lamp.elevation).toBeCloseTo(762, 0);
  // The lower edge is drawn in by its two corners: a row less.
  await page.keyboard.press("Escape");
  job.actions++;
  await page
    .locator("aside")
    .last()
    .getByRole("button", { name: /^Seating block/ })
    .click();
  const up = 10 * foot;
  for (const n of [1, 2]) {
    const corner = (await page
      .getByLabel(new RegExp(`^Corner ${n}; drag it`))
      .boundingBox())!;
    const at = {
      x: corner.x + corner.width / 2,
      y: corner.y + corner.height / 2,
    };
    const there = await planner.at(
      n === 1 ? 2 * foot : 34 * foot,
      4 * foot + up,
    );
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x, there.y, { steps: 8 });
    await page.mouse.up();
    job.actions++;
    await planner.saved();
  }
  await expect
    .poll(async () => (await of(page, "round-table-1220")).length)
    .toBeLessThan(six.length);
  const fewer = await of(page, "round-table-1220");
  expect(new Set(fewer.map((i) => Math.round(i.y))).size).toBeLessThan(
    lines.size,
  );
  // Lamps are where their tables are, whatever became of the others.
  for (const lamp of await of(page, "table-lamp")) {
    const under = fewer.find((table) => table.id === lamp.standsOn);
    if (under)
      expect(Math.hypot(lamp.x - under.x, lamp.y - under.y)).toBeLessThan(50);
  }
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect
    .poll(async () => (await of(page, "round-table-1220")).length)
    .toBe(six.length);
  job.done("Rounds of six before a stage");
});

test("what is free of a room, in rows that look to the stage at its side", async ({
  planner,
  page,
}) => {
  const job = await jobIn(planner, "A talk", "18000", "12000");
  await put(job, "stage deck", /^Stage deck 2/, 1800, 6500);
  await put(job, "buffet", /^Buffet table/, 17_000, 6000);
  await job.press("Seat people…");
  await page.getByLabel("Where", { exact: true }).click();
  await page.getByRole("option", { name: /^Free in/ }).click();
  job.actions++;
  await page.getByRole("radio", { name: "Rows of chairs" }).click();
  // A point is pressed on the plan, and then the stage is found to be what was meant.
  await planner.choose("Looks to", "a point on the plan");
  const corner = await planner.at(2000, 11_000);
  await page.mouse.move(corner.x, corner.y);
  await page.mouse.click(corner.x, corner.y);
  await expect(page.getByLabel("Looks to", { exact: true })).toHaveText(
    "the point pressed",
  );
  await expect(candidates(page).first()).toContainText("seats");
  await planner.choose("Looks to", "the west (left), the stage");
  await job.type("Guests", "40");
  await expect(candidates(page).first()).toContainText("40 seats");
  await expect(page.getByLabel("Where its usual gaps come from")).toContainText(
    "MVStättVO",
  );
  await candidates(page).first().click();
  await expect(holds(page)).toContainText("40 of 40 seats");
  const { entities } = await served(page);
  const block = entities.find(
    (e: { type: string }) => e.type === "seating-block",
  );
  expect(block.facing).toBe(180);
  // It follows no wall: what was free then is its own, and the floor before the buffet is not.
  expect(block.shape.rooms).toEqual([]);
  expect(block.shape.rings.flat().length).toBeGreaterThan(4);
  const rows = await sheetRows(page);
  expect(rows).toMatch(/Seats \| 40/);
  // Afterwards they look to where somebody presses, and back with Undo.
  await page.getByRole("button", { name: "Look to a point" }).click();
  await page.mouse.move(corner.x, corner.y);
  await page.mouse.click(corner.x, corner.y);
  const faced = async () =>
    (await served(page)).entities.find(
      (e: { type: string }) => e.type === "seating-block",
    ).facing;
  await expect.poll(faced).toBeLessThan(160);
  expect(await faced()).toBeGreaterThan(130);
  await expect(holds(page)).toContainText("40 of 40 seats");
  await page.getByTestId("plan").focus();
  await page.keyboard.press("Control+z");
  await expect.poll(faced).toBe(180);
  job.done("A talk for 40");
});
