import { foot, items, put, room, type Placed, jobIn } from "./furnish";
import { Job } from "./job";
import { expect, test, type Page } from "./page";
import { pdfText, served } from "./sheet";

/** What a person needs for each thing placed by itself: choose it, press it in, turn it. */
const singly = (things: number) => 3 * things;

/** The places along an axis, those nearer than a millimetre as one. */
const sorted = (all: Placed[], by: "x" | "y") =>
  all
    .map((one) => one[by])
    .sort((a, b) => a - b)
    .filter((at, i, every) => i === 0 || at - every[i - 1]! > 1);

const group = (page: Page) =>
  page.getByRole("region", { name: "Selected group" });

for (const { units, size, apart, wider, unit } of [
  {
    units: "Metric",
    size: ["1500", "700"],
    apart: "2100",
    wider: "2700",
    unit: 1,
  },
  {
    units: "FeetInches",
    size: ["5'", "2' 6\""],
    apart: "7'",
    wider: "9'",
    unit: foot,
  },
] as const) {
  test(`twelve desks in three blocks of four, set apart and corrected by one figure, one turned: ${units}`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(60_000);
    const metric = units === "Metric";
    const job = await jobIn(
      planner,
      `Blocks ${units}`,
      metric ? "16000" : "52'",
      metric ? "8000" : "26'",
      units,
    );
    await put(job, "desk 1400", /^Desk 1400/, 2500, 3000, {
      Width: size[0],
      Depth: size[1],
    });
    await job.key("r");
    await expect(group(page)).toContainText("2 members");
    await job.set("Rows", "2");
    await expect(group(page)).toContainText("4 members");
    await job.set("Clear gap", "0");
    job.actions++;
    await group(page).getByLabel("Back to back, in pairs").check();
    await expect(group(page).getByLabel("Back gap")).toBeVisible();
    await job.press("In rows");
    await expect(group(page)).toContainText("2 members · 8 items");
    await job.set("In a row", "3");
    await expect(group(page)).toContainText("3 members · 12 items");
    await job.set("Clear gap", apart);
    const [wide, deep] = metric ? [1500, 700] : [5 * foot, 2.5 * foot];
    const gaps = async () => {
      const xs = sorted(await items(page), "x");
      return [xs[2]! - xs[1]!, xs[4]! - xs[3]!].map((pitch) =>
        Math.round(pitch - wide),
      );
    };
    const told = (text: string) =>
      Math.round(metric ? Number(text) : parseInt(text) * unit);
    await expect.poll(gaps).toEqual([told(apart), told(apart)]);
    await job.set("Clear gap", wider);
    await expect.poll(gaps).toEqual([told(wider), told(wider)]);
    const ys = sorted(await items(page), "y");
    expect(ys[1]! - ys[0]!).toBeCloseTo(deep, 2);
    // One block is turned: opened, its first block is selected.
    await page.getByTestId("plan").focus();
    await job.key("Enter");
    await expect(group(page)).toContainText("4 members");
    await job.press("Rotate 90°");
    await expect
      .poll(async () => (await items(page)).map((i) => i.rotation).sort())
      .toEqual([0, 0, 0, 0, 180, 180, 180, 180, 270, 270, 90, 90].sort());
    const all = await items(page);
    expect(all.length).toBe(12);
    expect(all.every((i) => Math.round(i.width!) === Math.round(wide))).toBe(
      true,
    );
    await expect(planner.tally).toContainText("12");
    job.done(`Twelve desks in three blocks, ${units}`);
    expect(job.actions).toBeLessThanOrEqual(singly(12) / 2);
    // Undone to the last pitch, and the plan says what it had.
    await page.keyboard.press("Control+z");
    await expect
      .poll(async () =>
        (await items(page)).every((i) => i.rotation % 180 === 0),
      )
      .toBe(true);
  });
}

for (const units of ["Metric", "FeetInches"])
  test(`four circles of eighteen chairs, each with a whiteboard: ${units}`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(60_000);
    const metric = units === "Metric";
    const job = await jobIn(
      planner,
      `Circles ${units}`,
      metric ? "18000" : "59'",
      metric ? "14000" : "46'",
      units,
    );
    await put(job, "stacking chair", /^Stacking chair/, 4000, 6500);
    await job.press("In a ring");
    await expect(group(page)).toContainText("6 members");
    await job.set("Members", "18");
    await expect(group(page)).toContainText("18 members");
    await job.set("Clear gap", metric ? "150" : '6"');
    await expect
      .poll(
        async () =>
          (await served(page)).entities.find(
            (e: { type: string }) => e.type === "repeat",
          ).radius,
      )
      .toBeGreaterThan(1500);
    const ring = (await served(page)).entities.find(
      (e: { type: string }) => e.type === "repeat",
    );
    // Chairs of 500: the chord between neighbours at the radius of their fronts is at least what they and their gap take.
    expect(2 * ring.radius * Math.sin(Math.PI / 18)).toBeGreaterThan(650);
    await put(job, "whiteboard", /^Whiteboard/, ring.x, ring.y + 600);
    await page.keyboard.press("Escape");
    await page.keyboard.press("Control+a");
    job.actions += 2;
    await job.press("In rows");
    await expect(group(page)).toContainText("2 members · 38 items");
    await job.set("Rows", "2");
    await expect(group(page)).toContainText("4 members · 76 items");
    await job.set("Clear gap", metric ? "1500" : "5'");
    await job.set("Row gap", metric ? "1200" : "4'");
    await expect
      .poll(
        async () =>
          (await items(page)).filter((i) => i.catalogue !== "stacking-chair")
            .length,
      )
      .toBe(4);
    const all = await items(page);
    expect(all.filter((i) => i.catalogue === "stacking-chair").length).toBe(72);
    await expect(planner.tally).toContainText("72");
    job.done(`Four circles of eighteen, ${units}`);
    expect(job.actions).toBeLessThanOrEqual(singly(76) / 2);
  });

for (const units of ["Metric", "FeetInches"])
  test(`twenty-four workstations from one ready-made cluster, two left out, all made like one: ${units}`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(60_000);
    const metric = units === "Metric";
    const job = await jobIn(
      planner,
      `Workstations ${units}`,
      metric ? "20000" : "66'",
      metric ? "14000" : "46'",
      units,
    );
    await page.getByText("Ready-made clusters").click();
    job.actions++;
    await job.press("Workstation");
    await job.click(2500, 3000);
    await expect(group(page)).toContainText("3 members");
    await job.press("In rows");
    await job.set("In a row", "6");
    await job.set("Rows", "4");
    await expect(group(page)).toContainText("24 members");
    await job.set("Clear gap", "0");
    job.actions++;
    await group(page).getByLabel("Back to back, in pairs").check();
    await job.set("Row gap", metric ? "1600" : "5' 3\"");
    await expect(group(page)).toContainText("24 workstations");
    expect((await items(page)).length).toBe(72);
    job.done(`Twenty-four workstations, ${units}`);
    expect(job.actions).toBeLessThanOrEqual(singly(72) / 2);
    // What the tally counts is selected by pressing it.
    await page
      .getByRole("button", { name: "Select what this counts: Workstations" })
      .click();
    await expect(
      page.locator("aside").last().getByRole("heading", { level: 2 }),
    ).toHaveText("24 items");
    await page.keyboard.press("Control+a");
    await expect(group(page)).toContainText("24 members");
    // Opened, its first member is left out; the others keep their ids.
    const before = (await items(page)).map((i) => i.id);
    await page.getByTestId("plan").focus();
    await page.keyboard.press("Enter");
    await page.keyboard.press("Delete");
    await expect.poll(async () => (await items(page)).length).toBe(69);
    expect((await items(page)).every((item) => before.includes(item.id))).toBe(
      true,
    );
    await page.keyboard.press("Escape");
    await expect(group(page)).toContainText("1 left out");
    await job.press("All in their places again");
    await expect.poll(async () => (await items(page)).length).toBe(72);
  });

test("a repeat drawn out by its last member, and what is copied from it pasted into another scheme", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Drawn out", "16000", "9000");
  await job.press("fit");
  await put(job, "stacking chair", /^Stacking chair/, 2000, 3000);
  await job.key("r");
  await job.set("In a row", "5");
  await expect(group(page)).toContainText("5 members");
  const grip = (await page.getByLabel(/^Draw the repeat out/).boundingBox())!;
  const to = await planner.at(10000, 3000);
  await page.mouse.move(grip.x + 8, grip.y + 8);
  await page.mouse.down();
  await page.mouse.move(to.x - 40, to.y, { steps: 5 });
  await page.mouse.move(to.x, to.y, { steps: 2 });
  await page.mouse.up();
  const xs = async () => sorted(await items(page), "x");
  await expect
    .poll(async () => Math.abs((await xs())[4]! - 10000))
    .toBeLessThan(60);
  const drawn = await xs();
  expect(Math.abs(drawn[2]! - (drawn[0]! + drawn[4]!) / 2)).toBeLessThan(2);
  // Through the clipboard's own events, as a hand on Ctrl+C and Ctrl+V makes them.
  const text = await page.evaluate(() => {
    const data = new DataTransfer();
    document.body.dispatchEvent(
      new ClipboardEvent("copy", { clipboardData: data, bubbles: true }),
    );
    return data.getData("text/plain");
  });
  expect(JSON.parse(text).format).toBe("wellsedes-clip");
  expect(JSON.parse(text).entities.length).toBe(6);
  await planner.choose("Scheme", "all");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name of the new scheme").fill("Other");
  await planner.choose("What it begins with", "empty", dialog);
  await dialog.getByRole("button", { name: "Add" }).click();
  await expect
    .poll(
      async () =>
        (await served(page)).entities.filter(
          (e: { type: string }) => e.type === "scheme",
        ).length,
    )
    .toBe(2);
  await page.keyboard.press("Escape");
  const paste = (what: string) =>
    page.evaluate((clip) => {
      const data = new DataTransfer();
      data.setData("text/plain", clip);
      document.body.dispatchEvent(
        new ClipboardEvent("paste", { clipboardData: data, bubbles: true }),
      );
    }, what);
  await planner.choose("Scheme", "Other");
  await page.getByTestId("plan").focus();
  await paste(text);
  await expect(group(page)).toContainText("5 members");
  const others = async () => {
    const all = (await items(page)) as (Placed & { schemeId: string })[];
    const first = all[0]!.schemeId;
    return [
      all.filter((i) => i.schemeId === first).map((i) => i.x),
      all.filter((i) => i.schemeId !== first).map((i) => i.x),
    ];
  };
  const [here, there] = await others();
  expect(there!.sort()).toEqual(here!.sort());
  // A foreign text and a newer one say so, and nothing comes.
  await paste("a shopping list");
  await expect(page.getByText(/not copied from a plan/)).toBeVisible();
  await paste(text.replace(/"version":\d+/, '"version":99'));
  await expect(page.getByText(/version 99/)).toBeVisible();
  expect((await items(page)).length).toBe(10);
  // What changes between the two: all five stay; one moved here is one that is moved.
  await page.getByTestId("plan").focus();
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowUp");
  await planner.saved();
  await planner.choose("Scheme", "all");
  const table = page.getByRole("table", { name: "What changes" });
  await expect(table.getByRole("row").nth(1)).toHaveText(
    /Stacking chair\s*4\s*1/,
  );
  const href = await page
    .getByRole("link", { name: "As a list (CSV)" })
    .getAttribute("href");
  const list = await (
    await page.request.get(new URL(href!, page.url()).href)
  ).text();
  expect(list).toMatch(/Stacking chair,4,1,0,0/);
  // The sheet for the crew, read back: the list, and what its lines stand for.
  const crew = await page
    .getByRole("link", { name: "As a sheet (PDF)" })
    .getAttribute("href");
  const crewSheet = await pdfText(page, new URL(crew!, page.url()).href);
  expect(crewSheet).toMatch(/Stacking chair\s+4\s+1\s+0\s+0/);
  expect(crewSheet).toContain("Arrow: is moved from the dot");
  await page.getByRole("button", { name: "Draw it on the plan" }).click();
  await expect(
    page.getByRole("button", { name: /^Changes from/ }),
  ).toBeVisible();
});
