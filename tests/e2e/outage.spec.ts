import { expect, frames, test, type Page } from "./page";

// Two windows, delays and losses on a machine that may be busy: once more before it counts as failed.
test.describe.configure({ retries: 1 });

/** The plan's items as the server has them. */
async function items(page: Page) {
  const plan = page.url().split("/").at(-1)!;
  const file = await (
    await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${plan}/file`,
    )
  ).json();
  return Object.fromEntries(
    (file.entities as { id: string; type: string; x: number; y: number }[])
      .filter((e) => e.type === "item")
      .map((e) => [e.id, e]),
  );
}

/** A plan with a room and one stool in it; the stool's id and where it stands. */
async function roomWithStool(
  planner: import("./page").Planner,
  page: Page,
  title: string,
) {
  await planner.signIn();
  await planner.newPlan(title);
  await planner.stage("Shell");
  await page.getByRole("button", { name: "Make the room" }).click();
  await expect(planner.tally).toContainText("24.0 m²");
  await planner.stage("Furnish");
  await page.getByLabel("Search the catalogue").fill("upholstered");
  await page
    .getByRole("button", { name: /Upholstered stool/ })
    .first()
    .click();
  const at = await planner.at(3000, 2000);
  await page.mouse.click(at.x, at.y);
  await planner.saved();
  await expect(
    page.getByRole("option", { name: /Upholstered stool/ }),
  ).toHaveCount(1);
  return Object.keys(await items(page))[0]!;
}

async function press(page: Page) {
  const stool = page.getByRole("option", { name: /Upholstered stool/ });
  const box = (await stool.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(stool).toHaveAttribute("aria-selected", "true");
}

async function drag(page: Page, name: RegExp, dx: number, dy: number) {
  const box = (await page.getByRole("option", { name }).boundingBox())!;
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + dx, from.y + dy, { steps: 6 });
  return from;
}

test("what is done while the server is away is kept, shown, sent in order when it is back, and done once", async ({
  planner,
  page,
}) => {
  const id = await roomWithStool(planner, page, "Away");
  const before = (await items(page))[id]!;
  let down = true;
  let sent = 0;
  await page.route("**/edits", async (route) => {
    sent++;
    if (!down) return route.continue();
    // Some get through and only their answer is lost.
    if (sent === 2) await route.fetch();
    return route.abort();
  });
  await press(page);
  for (let i = 0; i < 3; i++) await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowUp");
  const sign = page.getByTestId("saving");
  await expect(sign).toHaveText("4 changes wait: the server does not answer");
  // The page is loaded anew: what waits is still there.
  page.on("dialog", (dialog) => void dialog.accept());
  await page.reload();
  await expect(sign).toHaveText("4 changes wait: the server does not answer", {
    timeout: 20_000,
  });
  await expect(sign).not.toHaveText("All changes saved");
  down = false;
  await expect(sign).toHaveText("All changes saved", { timeout: 20_000 });
  const after = (await items(page))[id]!;
  expect([after.x - before.x, after.y - before.y]).toEqual([300, 100]);
  await expect(
    page.getByRole("alert", { name: "What could not be done" }),
  ).toHaveCount(0);
});

test("a length typed while the server is away is told not to be read, and is read when Enter is pressed again", async ({
  planner,
  page,
}) => {
  const id = await roomWithStool(planner, page, "Unread");
  await press(page);
  await page.route("**/api/figures", (route) => route.abort());
  const width = page.locator("aside").last().getByLabel("Width", {
    exact: true,
  });
  await width.fill("555");
  await width.press("Enter");
  await expect(page.getByText("The server cannot be reached.")).toBeVisible();
  await expect(width).toHaveValue("555");
  await page.unroute("**/api/figures");
  await width.press("Enter");
  await planner.saved();
  await expect
    .poll(async () => (await items(page))[id]!)
    .toMatchObject({ width: 555 });
});

test("what can no longer be done when the server is back is listed, and can be done again", async ({
  planner,
  page,
}) => {
  planner.expected.push(503, 409);
  const id = await roomWithStool(planner, page, "Too late");
  const other = await planner.elsewhere("m.teasel@tidemill.example");
  await page.route("**/edits", (route) =>
    route.fulfill({ status: 503, json: { detail: "away" } }),
  );
  await press(page);
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByTestId("saving")).toHaveText(
    "1 change waits: the database cannot be reached",
  );
  await press(other);
  await other.keyboard.press("Shift+ArrowUp");
  await expect(other.getByTestId("saving")).toHaveText("All changes saved");
  const theirs = (await items(page))[id]!;
  await page.unroute("**/edits");
  const lost = page.getByRole("alert", { name: "What could not be done" });
  await expect(lost).toContainText("Move items: Upholstered stool", {
    timeout: 20_000,
  });
  await expect(lost).toContainText("M. Teasel has just changed this");
  expect((await items(page))[id]!.x).toBe(theirs.x);
  await lost.getByRole("button", { name: "Do it again" }).click();
  await expect(lost).toHaveCount(0);
  await planner.saved();
  const done = (await items(page))[id]!;
  expect([done.x - theirs.x, done.y - theirs.y]).toEqual([100, 0]);
  await other.context().close();
});

test("a colleague's move of what one holds is named, and it lands where the hand lets go", async ({
  planner,
  page,
}) => {
  const id = await roomWithStool(planner, page, "Both hold it");
  const other = await planner.elsewhere("m.teasel@tidemill.example");
  await page.keyboard.press("Escape");
  const start = (await items(page))[id]!;
  const from = await drag(page, /Upholstered stool/, 90, -40);
  await press(other);
  for (let i = 0; i < 7; i++) await other.keyboard.press("Shift+ArrowLeft");
  await expect(
    page.getByText(/M\. Teasel changed this while you hold it/),
  ).toBeVisible();
  await expect
    .poll(async () => (await items(page))[id]!.x - start.x)
    .toBe(-700);
  await page.keyboard.down("Alt");
  await page.mouse.move(from.x + 91, from.y - 40);
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await planner.saved();
  const at = await planner.at(
    (await items(page))[id]!.x,
    (await items(page))[id]!.y,
  );
  expect(Math.abs(at.x - (from.x + 91))).toBeLessThan(2);
  expect(Math.abs(at.y - (from.y - 40))).toBeLessThan(2);
  await other.context().close();
});

test("what a colleague removes while one holds it is named, and letting go says that it is gone", async ({
  planner,
  page,
}) => {
  await roomWithStool(planner, page, "Removed meanwhile");
  const other = await planner.elsewhere("m.teasel@tidemill.example");
  await page.keyboard.press("Escape");
  const from = await drag(page, /Upholstered stool/, 90, -40);
  await press(other);
  await other.keyboard.press("Delete");
  await expect(
    page.getByText(/M\. Teasel changed this while you hold it/),
  ).toBeVisible();
  await page.mouse.move(from.x + 120, from.y - 60, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole("alert")).toContainText("no longer there");
  expect(Object.keys(await items(page))).toHaveLength(0);
  await planner.saved();
  await other.context().close();
});

test("a thing stays where it was dropped while the answer is on its way, and can be taken up again at once", async ({
  planner,
  page,
}) => {
  const id = await roomWithStool(planner, page, "Slow link");
  const before = (await items(page))[id]!;
  await page.route("**/edits", async (route) => {
    await new Promise((done) => setTimeout(done, 700));
    await route.continue();
  });
  await page.keyboard.down("Alt");
  const from = await drag(page, /Upholstered stool/, 60, 0);
  await page.mouse.up();
  const box = (await page
    .getByRole("option", { name: /Upholstered stool/ })
    .boundingBox())!;
  expect(Math.abs(box.x + box.width / 2 - from.x - 60)).toBeLessThan(3);
  // Again, before the first is answered.
  await drag(page, /Upholstered stool/, 0, -50);
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await expect(page.getByTestId("saving")).toHaveText("Saving…");
  await planner.saved();
  const after = (await items(page))[id]!;
  const scale = await page.evaluate(
    () =>
      (
        document.querySelector("[data-testid=plan]") as unknown as {
          planView(): { scale: number };
        }
      ).planView().scale,
  );
  expect(Math.abs(after.x - before.x - 60 / scale)).toBeLessThan(2 / scale);
  expect(Math.abs(after.y - before.y - 50 / scale)).toBeLessThan(2 / scale);
});

test("a figure taken with Enter and left with Tab is sent once", async ({
  planner,
  page,
}) => {
  await roomWithStool(planner, page, "Once");
  await page.route("**/api/**", async (route) => {
    await new Promise((done) => setTimeout(done, 150));
    await route.continue();
  });
  let sent = 0;
  page.on("request", (request) => {
    if (request.url().endsWith("/edits")) sent++;
  });
  await press(page);
  const width = page.getByLabel("Width", { exact: true }).first();
  await width.fill("700");
  await width.press("Enter");
  await width.press("Tab");
  await planner.saved();
  await expect.poll(() => sent).toBe(1);
  await frames(page, 35);
  expect(sent).toBe(1);
});
