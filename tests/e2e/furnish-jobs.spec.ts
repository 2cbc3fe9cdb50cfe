import { foot, items, ownItems, put, room, rugPicture } from "./furnish";
import { Job } from "./job";
import { expect, test } from "./page";
import { served, sheetSvg, sheetText } from "./sheet";

test("a cell of 10 by 12 ft from panels and posts, with a corner surface, a peninsula, a lateral file and chairs", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Cell", "20'", "20'", "FeetInches");
  await put(job, "cell 10 x 12", /^Cell 10 × 12 ft/, 10 * foot, 10 * foot);
  // Its sides are of four panels each: 2' 6" and 3'; the first bay of the front is open.
  const panel = page.locator("aside").last();
  await expect(panel.getByLabel("Open bays", { exact: true })).toHaveValue("1");
  await put(
    job,
    "corner surface 48 in",
    /^Corner work surface 48 in/,
    10 * foot - 1524 + 51 + 610,
    10 * foot + 1829 - 51 - 610,
  );
  await put(
    job,
    "peninsula 60",
    /^Peninsula/,
    10 * foot + 1000,
    10 * foot - 300,
  );
  await put(
    job,
    "lateral file 36 two drawers",
    /^Lateral file 36 in, two/,
    10 * foot + 900,
    10 * foot + 1829 - 51 - 229,
  );
  await put(
    job,
    "work chair 26",
    /^Work chair 26 in/,
    10 * foot - 300,
    10 * foot + 300,
  );
  await put(
    job,
    "visitor chair",
    /^Visitor chair/,
    10 * foot + 200,
    10 * foot - 1300,
  );
  await put(
    job,
    "visitor chair",
    /^Visitor chair/,
    10 * foot - 500,
    10 * foot - 700,
  );
  const cell = (await items(page)).find((i) => i.catalogue === "cell-10x12")!;
  expect(cell.width ?? 3048).toBe(3048);
  // Nothing stands in anything; the sheet has the cell with its bays, in feet.
  await expect(page.getByTestId("tally")).not.toContainText("short");
  const { figures } = await served(page);
  expect(
    figures.findings.filter((f: { kind: string }) => f.kind === "Overlap"),
  ).toEqual([]);
  const sheet = await sheetText(page);
  expect(sheet).toMatch(/Cell 10 × 12 ft, 16 bays\s+10' × 12'\s+1/);
  expect(sheet).toMatch(/Visitor chair\s+1' 9 5\/8" × 1' 11 5\/8"\s+2/);
  job.done("A cell of 10 by 12 ft");
});

test("a living room from sourced sizes: what is too large is said, and put where it fits", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Living room", "5200", "3600");
  await put(job, "sofa", /^Sofa, three seats/, 2800, 600, {
    Width: '82"',
    Depth: '36"',
  });
  await put(job, "couch 82 in", /^Sofa 82 in/, 2600, 3000);
  // A rug of 6 x 9 ft from its picture: the background is taken away by itself.
  await ownItems(page);
  await job.press("From the picture of a product");
  await page.getByLabel("Picture of the product").setInputFiles(rugPicture);
  const cutting = page.getByRole("dialog", { name: "Own item from a picture" });
  await expect(cutting.getByTestId("cutout-facts")).toContainText(
    /60 % of the picture/,
  );
  await cutting.getByLabel("Name").fill("Heath rug");
  await cutting.getByLabel("True width").fill("9'");
  await cutting.getByLabel("True width").press("Enter");
  await expect(cutting.getByTestId("cutout-facts")).toContainText(
    /2\s743 × 1\s82\d/,
  );
  await cutting.getByRole("button", { name: "Keep it and place it" }).click();
  await planner.saved();
  const rugAt = await planner.at(2600, 1800);
  await page.keyboard.down("Alt");
  await page.mouse.click(rugAt.x, rugAt.y);
  await page.keyboard.up("Alt");
  await expect.poll(async () => (await items(page)).length).toBe(3);
  job.actions += 5;
  await ownItems(page, false);
  // A door 600 from the corner.
  await planner.stage("Shell");
  await job.part("Openings");
  await job.press("Door");
  await job.press(/^Put a/, false);
  await job.click(2600, -60);
  await job.set("From west corner", "600");
  await planner.stage("Furnish");
  const bought = await items(page);
  expect(bought[0]!.width).toBeCloseTo(2082.8, 3);
  expect(bought[0]!.depth).toBeCloseTo(914.4, 3);
  // The one that was bought is kept under its name, and the other becomes one of them.
  const panel = page.locator("aside").last();
  await page.getByRole("option", { name: /^Sofa/ }).first().focus();
  await page.keyboard.press("Enter");
  await panel.getByText("Keep as an own item").click();
  await panel.getByLabel("Name of what was bought").fill("Heron sofa");
  await panel.getByLabel("Supplier's code").fill("HS-82");
  await panel.getByLabel("Price").fill("1290");
  await panel.getByRole("button", { name: "Keep", exact: true }).click();
  await planner.saved();
  job.actions += 5;
  await page.getByLabel("Search the catalogue").fill("heron");
  await expect(
    page
      .getByRole("list", { name: "Catalogue items" })
      .getByRole("button", { name: /^Heron sofa/ }),
  ).toBeVisible();
  // A bookcase that does not fit: by how much, and the nearest place.
  await put(job, "bookcase 800", /^Bookcase 800/, 2600, 700);
  await expect(panel.getByRole("alert")).toContainText("Does not fit");
  await panel.getByRole("button", { name: "Put it there" }).click();
  await planner.saved();
  await expect(panel.getByRole("alert")).toHaveCount(0);
  const { figures } = await served(page);
  expect(
    figures.findings.filter((f: { kind: string }) => f.kind === "Overlap"),
  ).toEqual([]);
  const sheet = await sheetText(page);
  expect(sheet).toMatch(/Heron sofa\s+2 082.8 × 914.4\s+1/);
  expect(sheet).toMatch(/Heath rug\s+2 743.2 × 1 82\d(\.\d)?\s+1/);
  // The sheet shows the picture itself, where the rug lies.
  const svg = await sheetSvg(page);
  expect(svg.match(/<image [^>]*data:image\/png;base64/g)).toHaveLength(1);
  const door = (await served(page)).entities.find(
    (e: { type: string }) => e.type === "opening",
  );
  const shell = (await served(page)).shells[0].openings.find(
    (o: { id: string }) => o.id === door.id,
  );
  expect(
    Math.min(
      shell.leftToStart,
      shell.leftToEnd,
      shell.rightToStart,
      shell.rightToEnd,
    ),
  ).toBeCloseTo(600, 3);
  job.done("A living room");
});

test("a kitchen with an island 1550 before it, tall units and a walk-in pantry; a unit swapped and widened", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Kitchen", "6000", "5000");
  await page.getByText("Kitchen along walls").click();
  await job.type("Length", "3600");
  await page.getByLabel("Island before it").check();
  await job.type("Between", "1550");
  await job.press("Press the wall");
  await job.click(2600, 4700);
  await planner.saved();
  await expect.poll(async () => (await items(page)).length).toBe(2);
  const units = () =>
    items(page).then(
      (all) =>
        all.find((i) => i.catalogue === "kitchen-line-3000")!.parameters!
          .units as number[],
    );
  expect(await units()).toEqual([600, 600, 600, 600, 600, 600]);
  await job.set("Width of unit 2", "1000");
  await job.setChoice("Unit 1 holds", "Tall cupboard");
  expect((await units()).reduce((sum, width) => sum + width, 0)).toBeCloseTo(
    3600,
    6,
  );
  expect((await units())[1]).toBe(1000);
  // Between the line and the island: as it was typed.
  const [line, island] = (await items(page)).sort((a, b) => b.y - a.y);
  expect(line!.y - 310 - (island!.y + 500)).toBeCloseTo(1550, 3);
  expect(Math.abs(line!.rotation - island!.rotation)).toBeCloseTo(180, 6);
  // The pantry behind panels, with a door; its shelving by bays.
  await put(job, "cell 3 x 3 m", /^Cell 3 × 3 m/, 5100, 1000, {
    Width: "1800",
    Depth: "1800",
  });
  await put(job, "pantry", /^Pantry shelving by bays/, 5100, 1600, {
    Width: "1600",
  });
  const pantry = (await items(page)).find(
    (i) => i.catalogue === "pantry-shelves",
  )!;
  const bays = pantry.parameters!.bays as number[];
  expect(bays.reduce((sum, bay) => sum + bay, 0)).toBeCloseTo(1600, 6);
  // The floor in tiles; its legend is on plan and sheet.
  await page.getByTestId("plan").click({ position: { x: 30, y: 300 } });
  const sheet = await sheetText(page);
  expect(sheet).toMatch(/Kitchen line, 6 units\s+3 600 × 620\s+1/);
  expect(sheet).toMatch(/Kitchen island, 4 units\s+2 000 × 1 000\s+1/);
  expect(sheet).toMatch(/Counter stool\s+Ø 400\s+3/);
  job.done("A kitchen with an island");
});

test("a tiny office: a table made smaller with things on it, a drawer box of typed size, and what is in stock", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Tiny office", "2400", "2000");
  await put(job, "desk 1200 600", /^Desk 1200 × 600/, 700, 1700, {
    Width: "1000",
    Depth: "500",
  });
  await put(job, "desk lamp", /^Desk lamp/, 400, 1700);
  await put(job, "paper tray", /^Paper tray/, 900, 1700);
  await put(job, "drawer box narrow", /^Box of drawers/, 2050, 900, {
    Width: "450",
    Depth: "400",
    Height: "520",
  });
  // A box whose front is said row by row, from the floor up, in a narrow interior.
  await put(job, "box with fronts", /^Box with fronts/, 1400, 250, {
    Width: "600",
    Depth: "350",
    Height: "700",
  });
  await job.set("Columns", "1");
  await job.set("Rows, from below", "Drawer, Shelves, Doors");
  await job.set("Heights of rows", "200, 200, 300");
  const desk = (await items(page)).find((i) =>
    i.catalogue.startsWith("desk-1"),
  )!;
  const lamp = (await items(page)).find((i) => i.catalogue === "desk-lamp")!;
  expect([desk.width, desk.depth]).toEqual([1000, 500]);
  expect([lamp.standsOn, lamp.elevation]).toEqual([desk.id, 740]);
  // A desk lowered takes with it what stands on it.
  await page
    .getByRole("option", { name: /^Desk(?! lamp)/ })
    .first()
    .focus();
  await page.keyboard.press("Enter");
  await job.set("Height", "720");
  const lowered = async () =>
    (await items(page)).find((i) => i.catalogue === "desk-lamp")!.elevation;
  await expect.poll(lowered).toBe(720);
  await job.set("In stock", "0");
  await expect(page.getByTestId("tally")).toContainText("1 short");
  const sheet = await sheetText(page);
  expect(sheet).toMatch(/Desk\s+1 000 × 500\s+1 of 0, 1 short/);
  expect(sheet).toMatch(/Box of drawers\s+450 × 400\s+1/);
  expect(sheet).toMatch(/1 drawer, 1 door, 1 shelf\s+600 × 350\s+1/);
  job.done("A tiny office");
});

test("all tables of one kind become another, and it is said first what that brings", async ({
  planner,
  page,
}) => {
  const job = new Job(page, planner);
  await room(planner, job, "Exchange", "9000", "5000");
  for (const x of [2000, 4500, 7000])
    await put(job, "round 1525", /^Round table 1525/, x, 2500);
  const panel = page.locator("aside").last();
  await panel.getByRole("button", { name: "Change all for another" }).click();
  const catalogue = page.locator("aside").first();
  await expect(catalogue).toContainText("3 Round table 1525 become");
  await page.getByLabel("Search the catalogue").fill("round 1830");
  await page
    .getByRole("list", { name: "Catalogue items" })
    .getByRole("button", { name: /^Round table 1830/ })
    .click();
  await expect(catalogue).toContainText("Seats 24 → 24.");
  await expect(catalogue).toContainText(/would no longer fit: Table/);
  await catalogue.getByRole("button", { name: "Change them" }).click();
  await planner.saved();
  expect((await items(page)).map((i) => i.catalogue)).toEqual(
    Array(3).fill("round-table-1830"),
  );
  // Taken back as one.
  await page.keyboard.press("Control+z");
  await planner.saved();
  expect((await items(page))[0]!.catalogue).toBe("round-table-1525");
});

test("a free rectangle picked on the plan finds what fits it", async ({
  planner,
  page,
}) => {
  const job = new Job(page, planner);
  await room(planner, job, "Free space", "6000", "5000");
  await job.choose("Kind", "Tables");
  await job.press("For a space");
  const [a, b] = [await planner.at(1000, 1000), await planner.at(3200, 2600)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(b.x, b.y, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel("Search the catalogue")).toHaveValue(
    /^Tables fits 2\s?\d{3}(\.\d+)? x 1\s?\d{3}/,
  );
  const list = page.getByRole("list", { name: "Catalogue items" });
  await expect(
    list.getByRole("button", { name: /^Table for two/ }),
  ).toBeVisible();
  await expect(
    list.getByRole("button", { name: /^Round table 1830/ }),
  ).toHaveCount(0);
});
