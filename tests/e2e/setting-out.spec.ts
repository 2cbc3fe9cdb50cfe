import { foot, items, put, room, type Placed, jobIn } from "./furnish";
import { Job } from "./job";
import { expect, test, type Page } from "./page";
import { served, sheetRows, sheetSvg } from "./sheet";

/** What a person needs for each thing placed by itself: choose it, press it in, turn it. */
const singly = (things: number) => 3 * things;

const group = (page: Page) =>
  page.getByRole("region", { name: "Selected group" });
const entities = async (page: Page, type: string) =>
  (await served(page)).entities.filter(
    (e: { type: string }) => e.type === type,
  );
const list = (page: Page) =>
  page.getByRole("list", { name: "Zones, walkways and marks" });

for (const { units, wide, deep, off, unit } of [
  { units: "Metric", wide: "16000", deep: "14000", off: "1500", unit: 1 },
  { units: "FeetInches", wide: "54'", deep: "46'", off: "5'", unit: foot },
] as const) {
  test(`two zones of 28 seats set off from a wall: ${units}`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(90_000);
    const job = await jobIn(planner, `Two zones ${units}`, wide, deep, units);
    const metric = units === "Metric";
    const away = metric ? 1500 : 5 * unit;
    // 28 chairs of 500 x 550, then the same again: each set off from the south and the west wall.
    await put(job, "stacking chair", /^Stacking chair/, 4000, 3000);
    await job.key("r");
    await job.set("In a row", "7");
    await job.set("Rows", "4");
    await expect(group(page)).toContainText("28 members");
    const set = async (x: number, y: number, from: string, along: string) => {
      await page.getByTestId("plan").focus();
      await job.key("o");
      await job.click(x, y);
      await job.set("Away from it", from);
      await job.set("Along it", along);
    };
    await set(2000, -50, off, off);
    const south = async () =>
      Math.min(...(await items(page)).map((i) => i.y)) - 275;
    await expect.poll(south).toBeCloseTo(away, 0);
    await page.getByTestId("plan").focus();
    await job.key("d");
    await expect.poll(async () => (await items(page)).length).toBe(56);
    const depth = metric ? 14000 : 46 * foot;
    await set(2000, depth + 50, off, off);
    const all = await items(page);
    const ys = all.map((i) => i.y);
    expect(Math.min(...ys) - 275).toBeCloseTo(away, 0);
    expect(depth - Math.max(...ys) - 275).toBeCloseTo(away, 0);
    expect(Math.min(...all.map((i) => i.x)) - 250).toBeCloseTo(away, 0);
    // Two zones over them, drawn by corners with typed lengths.
    await page.keyboard.press("Escape");
    for (const [name, y] of [
      ["Front", 700],
      ["Back", depth / 2 + 600],
    ] as const) {
      await job.press("Zone by corners");
      await job.click(500, y);
      const side = metric ? "11000" : "36'";
      await job.side(6000, y, side);
      await job.side(
        500 + (metric ? 11000 : 36 * foot),
        y + 3000,
        metric ? "6000" : "20'",
      );
      await job.side(3000, y + (metric ? 6000 : 20 * foot), side);
      await job.press("Close");
      await job.set("Name", name);
      await job.set("Seats", "28");
      await planner.saved();
    }
    for (const name of ["Front", "Back"])
      await expect(
        planner.tally.locator("dl > div", { hasText: `${name}: seats` }),
      ).toContainText("28 of 28");
    const zones = await entities(page, "zone");
    expect(
      zones.map((z: { shape: { rings: unknown[] } }) => z.shape.rings.length),
    ).toEqual([1, 1]);
    const sheet = await sheetRows(page);
    for (const name of ["Front", "Back"])
      expect(sheet).toContain(`${name}: seats | 28 of 28`);
    job.done(`Two zones of 28, ${units}`);
    expect(job.actions).toBeLessThanOrEqual(singly(56) / 2);
  });
}

for (const units of ["Metric", "FeetInches"])
  test(`a floor marked with rings, kept as an own item and set down again: ${units}`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(60_000);
    const metric = units === "Metric";
    const job = await jobIn(
      planner,
      `Rings ${units}`,
      metric ? "16000" : "52'",
      metric ? "9000" : "30'",
      units,
    );
    await job.press("Mark");
    await job.click(2000, 2000);
    await job.setChoice("Shape", "Distance ring");
    await job.set("Width", metric ? "2000" : "6' 6\"");
    await page.getByText("Repeat on a grid").click();
    job.actions++;
    await job.set("Columns", "3");
    await job.set("Rows", "2");
    await job.press("Repeat");
    await expect
      .poll(async () => (await entities(page, "mark")).length)
      .toBe(6);
    await page.getByTestId("plan").focus();
    await page.keyboard.press("Escape");
    await list(page).getByRole("button").first().click();
    await job.press("Select all distance rings");
    await expect(page.locator("aside").last()).toContainText("6 things");
    job.actions++;
    await page.getByRole("button", { name: "Own", exact: true }).click();
    await job.press("Of what is chosen (6)");
    await page
      .getByLabel("Name of the own item")
      .first()
      .fill("Rings, three by two");
    await page.keyboard.press("Enter");
    job.actions += 2;
    await expect
      .poll(async () => (await entities(page, "mark")).length)
      .toBe(0);
    const own = (await entities(page, "own-item"))[0].item;
    // Spacings of 3 m as they are offered, and the rings themselves.
    const ring = metric ? 2000 : 6.5 * foot;
    expect(own.size.width).toBeCloseTo(6000 + ring, 1);
    expect(own.size.depth).toBeCloseTo(3000 + ring, 1);
    expect(own.shape.texts.length).toBe(6);
    job.done(`Rings kept as an own item, ${units}`);
    expect(job.actions).toBeLessThanOrEqual(singly(12) / 2);
    // Set down again, and read back from the sheet: two times six figures of two metres.
    await put(job, "rings", /^Rings, three by two/, 11500, 6000);
    expect((await items(page)).length).toBe(2);
    const rows = await sheetRows(page);
    expect(rows.match(metric ? /\b2 000 mm/g : /6' 6"/g)?.length).toBe(12);
  });

test("a walkway drawn by typed lengths is kept free, found, told and printed", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Walkway", "12000", "8000");
  await job.press("fit");
  await put(job, "desk 1400", /^Desk 1400/, 3000, 6000);
  await page.keyboard.press("Escape");
  await job.press("Walkway");
  await job.click(1000, 4000);
  await job.side(6000, 4000, "8000");
  await job.side(9000, 6000, "3000");
  await job.press("Done");
  await job.set("Name", "Main aisle");
  await job.set("Clear width", "1200");
  const panel = page.locator("aside").last();
  await expect(panel.getByText("Free: 1 200 all along.")).toBeVisible();
  const [way] = await entities(page, "walkway");
  expect(way.clear).toBe(1200);
  // Moved into it, the desk narrows it: said while it is held, and in the finding, the panel and the sheet alike.
  await page.keyboard.press("Escape");
  const [from, to] = [
    await planner.at(3000, 6050),
    await planner.at(3000, 5350),
  ];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.keyboard.down("Alt");
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await expect(
    planner.tally.locator("dl > div", { hasText: "Narrowest walkway" }),
  ).toContainText("of 1 200");
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await planner.saved();
  const { figures } = await served(page);
  const told = figures.drawn[0];
  expect(told.holds).toBe(false);
  const finding = figures.findings.find((f: { id: string }) =>
    f.id.includes("drawn/"),
  );
  expect(finding.measuredText).toBe(told.clear);
  expect(finding.title).toContain("Main aisle narrows between");
  const rows = await sheetRows(page);
  expect(rows).toContain(
    `Narrowest walkway | ${told.clear.replaceAll("\u00a0", " ")} of 1 200 mm`,
  );
  expect(rows).toContain("Main aisle 1 200");
  await planner.stage("Prove");
  await expect(
    page.getByText(/Main aisle narrows between/).first(),
  ).toBeVisible();
  // Corners are dragged, and typed.
  await planner.stage("Furnish");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await list(page)
    .getByRole("button", { name: /Main aisle/ })
    .click();
  const corner = (await page.getByLabel(/^Corner 3; drag it/).boundingBox())!;
  const end = await planner.at(9000, 7400);
  await page.mouse.move(corner.x + 6, corner.y + 6);
  await page.mouse.down();
  await page.mouse.move(end.x, end.y, { steps: 4 });
  await page.mouse.up();
  await planner.saved();
  const length = async () => {
    const [{ line }] = await entities(page, "walkway");
    return Math.hypot(line[2].x - line[1].x, line[2].y - line[1].y);
  };
  await expect.poll(length).toBeGreaterThan(3200);
  await page.getByText("Points (3)").click();
  await job.set("Corner 3, y", "7000");
  await expect.poll(async () => Math.round(await length())).toBe(3000);
  await page.keyboard.press("Control+z");
  await expect.poll(length).toBeGreaterThan(3200);
});

test("views: seen, printed and locked by kind, by zone and by an own group", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Views", "12000", "8000");
  await job.press("fit");
  await put(job, "desk 1400", /^Desk 1400/, 3000, 3000);
  await put(job, "armchair", /^Armchair/, 8000, 3000);
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await page.locator("summary", { hasText: /^Views/ }).click();
  const table = page.getByRole("table", {
    name: "What is seen, printed and locked",
  });
  const press = (name: string) =>
    table.getByRole("button", { name, exact: true }).click();
  // Hidden: gone from the plan and its list, counted all the same.
  await press("See Lounge");
  await expect(planner.item(/Armchair/)).toHaveCount(0);
  await expect(page.getByText("1 hidden by “View 1”")).toBeVisible();
  await expect(planner.tally).toContainText("Seats 1");
  await page.reload();
  await planner.plan.waitFor();
  await expect(page.getByText("1 hidden by “View 1”")).toBeVisible();
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(planner.item(/Armchair/)).toHaveCount(1);
  // Locked: says so while it is dragged, and stays.
  await page.locator("summary", { hasText: /^Views/ }).click();
  await press("Lock Desks");
  await planner.saved();
  const at = (await items(page)).find((i) => i.catalogue === "desk-1400")!;
  const [from, to] = [
    await planner.at(3000, 3100),
    await planner.at(5000, 4000),
  ];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 3 });
  await expect(page.getByText(/is locked with “Desks”/).first()).toBeVisible();
  await page.mouse.up();
  await expect(
    page.getByText(/unlock that under Views first/).first(),
  ).toBeVisible();
  const still = (await items(page)).find((i) => i.id === at.id) as Placed;
  expect([still.x, still.y]).toEqual([at.x, at.y]);
  // A view that would hide everything is refused, and says so.
  await page.keyboard.press("Escape");
  await planner.choose("View", "View 1");
  await press("See Desks");
  await expect(page.getByText(/would hide everything/)).toBeVisible();
  await page.keyboard.press("Escape");
  // Printed: the sheet by this view leaves the desk out and says so.
  await press("Print Desks");
  await planner.saved();
  await planner.stage("Issue");
  const before = (await sheetSvg(page)).length;
  await planner.choose("View", "View 1");
  await planner.saved();
  await expect
    .poll(async () => (await sheetSvg(page)).length)
    .toBeLessThan(before);
  const rows = await sheetRows(page);
  expect(rows.replaceAll("\n", " ")).toContain(
    "Counted, but not drawn here: Desks.",
  );
  expect(rows).toContain("Workstations | 1");
});
