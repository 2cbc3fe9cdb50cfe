import { items, room, type Placed } from "./furnish";
import { Job } from "./job";
import { expect, test, type Page, type Planner } from "./page";

/** Goes by Tab to the field or button that is called so, and no other way. */
async function tabTo(page: Page, name: string, most = 220) {
  const met: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    const here = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      // Between the last and the first nothing has the focus.
      if (at === document.body) return "";
      const labels = (at as HTMLInputElement | null)?.labels;
      return (
        at?.getAttribute("aria-label") ??
        labels?.[0]?.textContent?.trim() ??
        at?.textContent?.trim() ??
        ""
      );
    });
    met.push(here.slice(0, 40));
    // An entry of the catalogue is called by all that is written in it.
    if (here === name || (here.length > 20 && here.includes(name))) return;
  }
  throw new Error(`No Tab leads to ${name}, only to ${met.join("; ")}.`);
}

/** Types into the field that is called so, found by Tab. */
async function typed(page: Page, name: string, text: string) {
  await tabTo(page, name);
  await page.keyboard.press("Control+a");
  await page.keyboard.type(text);
  await page.keyboard.press("Enter");
}

const members = (page: Page, text: string) =>
  expect(page.getByRole("region", { name: "Selected group" })).toContainText(
    text,
  );

test("without a pointer: twelve desks in three blocks, set apart, corrected and one turned", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  const job = new Job(page, planner);
  await room(planner, job, "By keys", "16000", "8000");
  // From here on no pointer is used.
  await page.getByTestId("plan").focus();
  await page.keyboard.press("0");
  await page.keyboard.press("/");
  await page.keyboard.type("desk 1400");
  await expect(
    page
      .getByRole("list", { name: "Catalogue items" })
      .getByRole("button")
      .first(),
  ).toContainText("Desk 1400");
  await tabTo(page, "Desk 1400", 30);
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await items(page)).length).toBe(1);
  await planner.saved();
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+a");
  await typed(page, "Width", "1500");
  await expect.poll(async () => (await items(page))[0]!.width).toBe(1500);
  await typed(page, "Depth", "700");
  await expect.poll(async () => (await items(page))[0]!.depth).toBe(700);
  await page.getByTestId("plan").focus();
  await page.keyboard.press("r");
  await members(page, "2 members");
  await typed(page, "Rows", "2");
  await members(page, "4 members");
  await typed(page, "Clear gap", "0");
  await tabTo(page, "Back to back, in pairs");
  await page.keyboard.press("Space");
  await expect
    .poll(
      async () =>
        (await items(page)).filter((i: Placed) => i.rotation === 180).length,
    )
    .toBe(2);
  await page.getByTestId("plan").focus();
  await page.keyboard.press("r");
  await members(page, "2 members · 8 items");
  await typed(page, "In a row", "3");
  await members(page, "12 items");
  await typed(page, "Clear gap", "2100");
  const pitch = async () => {
    const xs = [
      ...new Set((await items(page)).map((i: Placed) => Math.round(i.x))),
    ].sort((a, b) => a - b);
    return xs[2]! - xs[1]! - 1500;
  };
  await expect.poll(pitch).toBe(2100);
  await typed(page, "Clear gap", "2700");
  await expect.poll(pitch).toBe(2700);
  await page.getByTestId("plan").focus();
  await page.keyboard.press("Enter");
  await members(page, "4 members");
  for (let i = 0; i < 6; i++) await page.keyboard.press(",");
  await expect
    .poll(
      async () =>
        (await items(page)).filter((i: Placed) => i.rotation % 180 === 90)
          .length,
    )
    .toBe(4);
  await page.keyboard.press("Escape");
  await members(page, "3 members");
});

/** Presses what is found by Tab. */
async function press(page: Page, name: string, most?: number) {
  await tabTo(page, name, most);
  await page.keyboard.press("Enter");
}

/** Finds something in the catalogue and puts it in the middle of the view. */
async function place(page: Page, search: string, name: string) {
  const before = (await items(page)).length;
  await page.keyboard.press("/");
  await page.keyboard.type(search);
  await expect(
    page
      .getByRole("list", { name: "Catalogue items" })
      .getByRole("button")
      .first(),
  ).toContainText(name);
  await press(page, name, 30);
  await expect.poll(async () => (await items(page)).length).toBe(before + 1);
  await expect(page.getByTestId("saving")).toHaveText("All changes saved");
  await page.keyboard.press("Escape");
}

const crosses = new WeakMap<Page, { x: number; y: number }>();

/** Moves the cross to a place on the level, by the arrow keys: from the middle of the view, or from where it was last. */
async function crossTo(planner: Planner, x: number, y: number) {
  const { page } = planner;
  const box = (await planner.plan.boundingBox())!;
  const to = await planner.at(x, y);
  const from = crosses.get(page) ?? {
    x: box.x + box.width / 2,
    y: box.y + box.height / 2,
  };
  crosses.set(page, to);
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  for (const [by, more, less] of [
    [dx, "ArrowRight", "ArrowLeft"],
    [dy, "ArrowDown", "ArrowUp"],
  ] as const) {
    const key = by > 0 ? more : less;
    for (let n = 0; n < Math.floor(Math.abs(by) / 12); n++)
      await page.keyboard.press(key);
    for (let n = 0; n < Math.round(Math.abs(by) % 12); n++)
      await page.keyboard.press(`Shift+${key}`);
  }
}

test("without a pointer: four circles of eighteen chairs, each with a whiteboard", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  await room(
    planner,
    new Job(page, planner),
    "Circles by keys",
    "18000",
    "14000",
  );
  await page.getByTestId("plan").focus();
  await page.keyboard.press("0");
  await place(page, "stacking chair", "Stacking chair");
  await page.keyboard.press("Control+a");
  await press(page, "In a ring");
  await members(page, "6 members");
  await typed(page, "Members", "18");
  await members(page, "18 members");
  await typed(page, "Clear gap", "150");
  await page.keyboard.press("Escape");
  await place(page, "whiteboard", "Whiteboard");
  await page.keyboard.press("Control+a");
  await press(page, "In rows");
  await members(page, "2 members · 38 items");
  await typed(page, "Rows", "2");
  await members(page, "4 members · 76 items");
  await typed(page, "Clear gap", "1500");
  await typed(page, "Row gap", "1200");
  await expect(planner.tally).toContainText("72");
});

test("without a pointer: twenty-four workstations from one ready-made cluster", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  await room(
    planner,
    new Job(page, planner),
    "Workstations by keys",
    "20000",
    "14000",
  );
  await page.getByTestId("plan").focus();
  await page.keyboard.press("0");
  await page.keyboard.press("/");
  await press(page, "Ready-made clusters", 300);
  await press(page, "Workstation", 20);
  await page.keyboard.press("Enter");
  await members(page, "3 members");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+a");
  await press(page, "In rows");
  await members(page, "2 members");
  await typed(page, "In a row", "6");
  await members(page, "6 members");
  await typed(page, "Rows", "4");
  await members(page, "24 members");
  await expect(planner.tally).toContainText("24");
});

test("without a pointer: two zones of 28 seats set off from a wall", async ({
  planner,
  page,
}) => {
  test.setTimeout(150_000);
  await room(
    planner,
    new Job(page, planner),
    "Zones by keys",
    "16000",
    "14000",
  );
  await page.getByTestId("plan").focus();
  await page.keyboard.press("0");
  await place(page, "stacking chair", "Stacking chair");
  await page.keyboard.press("Control+a");
  await page.keyboard.press("r");
  await members(page, "2 members");
  await typed(page, "In a row", "7");
  await typed(page, "Rows", "4");
  await members(page, "28 members");
  const off = async (y: number) => {
    await page.getByTestId("plan").focus();
    await page.keyboard.press("o");
    await crossTo(planner, 2000, y);
    await page.keyboard.press("Enter");
    // The field that was asked for has the focus.
    await expect(page.getByLabel("Away from it")).toBeFocused();
    await page.keyboard.type("1500");
    await page.keyboard.press("Enter");
    await planner.saved();
  };
  await off(-50);
  await page.getByTestId("plan").focus();
  await page.keyboard.press("d");
  await expect.poll(async () => (await items(page)).length).toBe(56);
  await off(14_050);
  const ys = async () => (await items(page)).map((i) => i.y);
  await expect
    .poll(async () => [Math.min(...(await ys())), Math.max(...(await ys()))])
    .toEqual([1775, 12_225]);
  for (const [name, y] of [
    ["Front", 1000],
    ["Back", 7500],
  ] as const) {
    await page.getByTestId("plan").focus();
    await page.keyboard.press("Escape");
    await page.keyboard.press("/");
    await press(page, "Zone by corners", 300);
    await expect(page.locator("#draw-length")).toBeFocused();
    await crossTo(planner, 1000, y);
    await page.keyboard.press("Enter");
    for (const [key, length] of [
      ["ArrowRight", "14800"],
      ["ArrowUp", "5500"],
      ["ArrowLeft", "14800"],
    ] as const) {
      const sides = Number(await planner.plan.getAttribute("data-sides"));
      await page.keyboard.press(key);
      await page.keyboard.type(length);
      await page.keyboard.press("Enter");
      await expect(planner.plan).toHaveAttribute("data-sides", `${sides + 1}`);
    }
    await page.keyboard.press("Enter");
    await expect(
      page.locator("aside").last().getByLabel("Name", { exact: true }),
    ).toBeVisible();
    await typed(page, "Name", name);
    await typed(page, "Seats", "28");
    await planner.saved();
  }
  for (const name of ["Front", "Back"])
    await expect(
      planner.tally.locator("dl > div", { hasText: `${name}: seats` }),
    ).toContainText("28 of 28");
});

test("without a pointer: a floor marked with rings, kept as an own item", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  await room(planner, new Job(page, planner), "Rings by keys", "16000", "9000");
  await page.getByTestId("plan").focus();
  await page.keyboard.press("0");
  await page.keyboard.press("/");
  await press(page, "Mark", 300);
  const panel = page.locator("aside").last();
  await expect(panel.getByLabel("Shape")).toBeVisible();
  await press(page, "Shape");
  await page.keyboard.type("Dist");
  await page.keyboard.press("Enter");
  await expect(panel.getByLabel("Shape")).toContainText("Distance ring");
  await typed(page, "Width", "2000");
  await press(page, "Repeat on a grid");
  await typed(page, "Columns", "2");
  await typed(page, "Rows", "1");
  await press(page, "Repeat");
  await press(page, "Select all distance rings");
  await expect(panel).toContainText("2 things");
  await press(page, "Own");
  await press(page, "Of what is chosen (2)", 300);
  await typed(page, "Name of the own item", "Two rings");
  await expect.poll(async () => (await items(page)).length).toBe(1);
});
