import { expect, test, type Page } from "./page";
import { served } from "./sheet";

/** Makes every request and every message of the live link wait so many ms, there and back. */
async function slowed(page: Page, ms: number) {
  const waited: number[] = [];
  const later = (send: () => void) => {
    const from = Date.now();
    setTimeout(() => {
      waited.push(Date.now() - from);
      send();
    }, ms / 2);
  };
  await page.routeWebSocket(/\/live/, (link) => {
    const server = link.connectToServer();
    link.onMessage((message) => later(() => server.send(message)));
    server.onMessage((message) => later(() => link.send(message)));
  });
  await page.route("**/api/**", async (route) => {
    await new Promise((done) => setTimeout(done, ms));
    await route.continue();
  });
  return waited;
}

for (const delay of [0, 80, 300])
  test(`walls typed as fast as keys go are the same walls with ${delay} ms of delay`, async ({
    planner,
    page,
  }) => {
    const waited = await slowed(page, delay);
    await planner.signIn();
    await planner.newPlan(`Typed ${delay}`);
    await planner.stage("Shell");
    await planner.part("Walls");
    await page.getByRole("button", { name: "Draw walls" }).click();
    await expect(page.getByLabel("Length", { exact: true })).toBeFocused();
    // An L of 6 by 4 m less 2 by 1, begun at the plan's zero: the way, the length, and on without a look.
    const keys: string[] = ["Enter"];
    const side = (way: string, length: string) =>
      keys.push(`Arrow${way}`, ...length, "Enter");
    side("Right", "6000");
    side("Up", "3000");
    side("Left", "2 m");
    side("Up", "1000");
    side("Left", "400cm");
    keys.push("Enter");
    for (const key of keys)
      await page.keyboard.press(key === " " ? "Space" : key);
    await expect(planner.tally).toContainText("22.0 m²", { timeout: 20_000 });
    await planner.saved();
    await expect(page.getByLabel("Length", { exact: true })).toHaveCount(0);
    const plan = page.url().split("/").at(-1)!;
    const file = await (
      await page.request.get(
        `${process.env.WELLSEDES_URL}/api/plans/${plan}/file`,
      )
    ).json();
    expect(
      file.entities.filter((e: { type: string }) => e.type === "wall"),
    ).toHaveLength(6);
    if (delay > 0)
      expect(Math.min(...waited)).toBeGreaterThanOrEqual(delay / 2 - 1);
  });

for (const delay of [0, 80, 300])
  test(`figures typed one after another into a panel all hold with ${delay} ms of delay`, async ({
    planner,
    page,
  }) => {
    await slowed(page, delay);
    await planner.signIn();
    await planner.newPlan(`Panel ${delay}`);
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.stage("Furnish");
    await page.getByPlaceholder(/Search/).fill("cupboard 1000");
    await page.getByRole("button", { name: /^Cupboard 1000/ }).focus();
    await page.keyboard.press("Enter");
    const width = page.getByLabel("Width", { exact: true });
    await width.focus();
    await width.selectText();
    for (const key of [..."600", "Tab", ..."900", "Tab", ..."1900", "Tab"])
      await page.keyboard.press(key);
    const rack = async () =>
      (await served(page)).entities.find(
        (e: { type: string }) => e.type === "item",
      );
    await expect
      .poll(async () => {
        const { width, depth, height } = await rack();
        return [width, depth, height];
      })
      .toEqual([600, 900, 1900]);
    // The title block, too.
    await planner.stage("Issue");
    const title = page.getByLabel("Title", { exact: true });
    await title.focus();
    await title.selectText();
    const typed = [..."Racks", "Tab", ..."Row A", "Tab"];
    for (const key of typed)
      await page.keyboard.press(key === " " ? "Space" : key);
    await planner.saved();
    const sheet = async () =>
      (await served(page)).entities.find(
        (e: { type: string }) => e.type === "sheet",
      ).titleBlock;
    await expect
      .poll(async () => JSON.stringify(await sheet()))
      .toContain("Row A");
    expect(JSON.stringify(await sheet())).toContain("Racks");
  });

for (const delay of [0, 80, 300])
  test(`who comes and what a block is asked hold however fast they are typed with ${delay} ms of delay`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(60_000);
    await slowed(page, delay);
    await planner.signIn();
    await planner.newPlan(`Seated ${delay}`);
    for (const [name, length] of [
      ["Width inside", "12000"],
      ["Depth inside", "9000"],
    ] as const) {
      await page.getByLabel(name, { exact: true }).fill(length);
      await page.keyboard.press("Tab");
    }
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.saved();
    await planner.stage("Furnish");
    await page.getByRole("button", { name: "Seat people…" }).click();
    const candidates = page.getByRole("list", { name: "Candidates" });
    const guests = page.getByLabel("Guests", { exact: true });
    await guests.focus();
    // They follow with every key: nobody has to leave the field first.
    for (const key of "24") await page.keyboard.press(key);
    await expect(candidates.getByRole("button").first()).toContainText(
      "24 seats",
    );
    await expect(guests).toBeFocused();
    // Another number, and at once a press on what still answers the one before: it is not taken. The answer waits until that is done.
    let release = () => {};
    const held = new Promise<void>((done) => (release = done));
    await page.route("**/fills", async (route) => {
      await held;
      await route.continue();
    });
    await guests.focus();
    await guests.selectText();
    for (const key of [..."16", "Tab"]) await page.keyboard.press(key);
    await candidates.getByRole("button").first().click({ force: true });
    await expect(candidates.getByRole("button").first()).toContainText(
      "24 seats",
    );
    const judged = page.waitForResponse(
      (answer) =>
        answer.url().endsWith("/fills") &&
        answer.request().postDataJSON().judged === true &&
        answer.request().postDataJSON().edit.thing.guests === 16,
    );
    release();
    await expect(candidates.getByRole("button").first()).toContainText(
      "16 seats",
    );
    // Once their ways are judged they stay in their order.
    await (await judged).finished();
    await page.unroute("**/fills");
    await candidates.getByRole("button").first().click();
    const block = async () =>
      (await served(page)).entities.find(
        (e: { type: string }) => e.type === "seating-block",
      );
    await expect.poll(async () => (await block())?.guests).toBe(16);
    // Its own fields, one after another without a look.
    const inRow = page.getByLabel("Gap in a row", { exact: true });
    await inRow.focus();
    await inRow.selectText();
    for (const key of [..."700", "Tab", ..."800", "Tab"])
      await page.keyboard.press(key);
    await expect
      .poll(async () => {
        const { guests, gapInRow, gapBetweenRows } = await block();
        return [guests, gapInRow, gapBetweenRows];
      })
      .toEqual([16, 700, 800]);
    await expect(page.getByLabel("What the block holds")).toContainText(
      "16 seats",
    );
    // And where it is seen on the plan: the gap between two of a row, pressed and typed.
    await page.getByTitle(/the next in the row/).click();
    await page.getByLabel("Distance to the next in the row").fill("900");
    await page.keyboard.press("Enter");
    await expect.poll(async () => (await block()).gapInRow).toBe(900);
  });

test("a figure typed into a field whose own changes under the hand takes its place", async ({
  planner,
  page,
}) => {
  await planner.signIn();
  await planner.newPlan("Under the hand");
  await page.getByRole("button", { name: "Make the room" }).click();
  await planner.saved();
  await planner.part("Openings");
  await page.getByRole("button", { name: "Door", exact: true }).first().click();
  await page.getByRole("button", { name: /^Put a/ }).click();
  const wall = await planner.at(3000, -60);
  await page.mouse.move(wall.x, wall.y);
  await page.mouse.click(wall.x, wall.y);
  const west = page.getByLabel("From west corner", { exact: true });
  await expect(west).toBeVisible();
  await planner.saved();
  const before = await west.inputValue();
  let release = () => {};
  const held = new Promise<void>((done) => (release = done));
  await page.route("**/edits", async (route) => {
    await held;
    await route.continue();
  });
  const width = page
    .locator("aside")
    .last()
    .getByLabel("Width", { exact: true });
  await width.fill("900");
  await width.press("Enter");
  await west.focus();
  await west.selectText();
  release();
  await expect(west).not.toHaveValue(before);
  await page.unroute("**/edits");
  await page.keyboard.type("600");
  await page.keyboard.press("Enter");
  await expect(west).toHaveValue("600");
  await planner.saved();
  const door = (await served(page)).entities.find(
    (e: { type: string }) => e.type === "opening",
  );
  expect(door.width).toBe(900);
});

test("what follows a length that cannot be read is not drawn, and is told", async ({
  planner,
  page,
}) => {
  await slowed(page, 150);
  await planner.signIn();
  await planner.newPlan("Mistyped");
  await planner.stage("Shell");
  await planner.part("Walls");
  await page.getByRole("button", { name: "Draw walls" }).click();
  await expect(page.getByLabel("Length", { exact: true })).toBeFocused();
  for (const key of [
    "Enter",
    "ArrowRight",
    ..."6000",
    "Enter",
    "ArrowUp",
    ..."4o00",
    "Enter",
    "ArrowLeft",
    ..."6000",
    "Enter",
  ])
    await page.keyboard.press(key);
  await expect(
    page.getByRole("group", { name: "Drawing" }).getByRole("status"),
  ).toContainText("not drawn");
  await expect(planner.plan).toHaveAttribute("data-sides", "1");
  // From there it goes on.
  // The way it was typed with is kept with it.
  await page.getByLabel("Length", { exact: true }).fill("4000");
  await page.keyboard.press("Enter");
  await expect(planner.plan).toHaveAttribute("data-sides", "2");
  const file = await (
    await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${page.url().split("/").at(-1)}/file`,
    )
  ).json();
  const ends = file.entities
    .filter((e: { type: string }) => e.type === "wall")
    .map((e: { end: { x: number; y: number } }) => e.end);
  expect(ends.some((p: { y: number }) => p.y > 3900)).toBe(true);
});

test("corners pressed while the last one is still on its way are all drawn", async ({
  planner,
  page,
}) => {
  await slowed(page, 300);
  await planner.signIn();
  await planner.newPlan("Pressed");
  await planner.stage("Shell");
  await planner.part("Walls");
  await page.getByRole("button", { name: "Draw walls" }).click();
  for (const [x, y] of [
    [0, 0],
    [5000, 0],
    [5000, 3000],
    [0, 3000],
  ] as const) {
    const at = await planner.at(x, y);
    await page.mouse.click(at.x, at.y);
  }
  await expect(planner.plan).toHaveAttribute("data-sides", "3", {
    timeout: 15_000,
  });
});
