import { expect, test } from "./page";

test.describe("schemes, zones and marks", () => {
  test("one looks at another scheme: its items, figures, findings and sheet", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.openDemo();
    await expect(planner.item("Table 4, 8 seats")).toBeAttached();
    await planner.choose("Scheme", "Members' meeting");
    await expect(planner.tally).toContainText("150 of 150");
    await expect(
      planner.tally.getByRole("button", { name: /2 must fix/ }),
    ).toBeVisible();
    await expect(planner.item("Table 4, 8 seats")).toHaveCount(0);
    await expect(page.getByText("Items (152)")).toBeVisible();
    await planner.stage("Issue");
    await expect(page.getByLabel("Sheet", { exact: true })).toContainText(
      "TMH-02-102",
    );
    await expect(page.getByLabel("Title", { exact: true })).toHaveValue(
      /Members' meeting/,
    );
    await planner.choose("Scheme", "Supper");
    await expect(planner.tally).toContainText("96 of 96");
    await expect(page.getByLabel("Sheet", { exact: true })).not.toContainText(
      "TMH-02-102",
    );
  });

  test("a scheme is copied, renamed, changed by itself and removed", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Two ways");
    await planner.stage("Shell");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.stage("Furnish");
    await page.getByLabel("Search the catalogue").fill("round 1525");
    await page.getByRole("button", { name: /^Round table 1525/ }).focus();
    await page.keyboard.press("Enter");
    await expect(planner.tally).toContainText("8");
    const schemes = page.getByLabel("Scheme", { exact: true });
    await planner.choose("Scheme", "Schemes…");
    await page.getByLabel("Name of the new scheme").fill("Evening");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(schemes).toHaveText("Evening");
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Delete");
    await expect(planner.item("Table 1, 8 seats")).toHaveCount(0);
    await planner.choose("Scheme", "Scheme A");
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    await planner.choose("Scheme", "Schemes…");
    await page.getByLabel("Name of Evening").fill("Late evening");
    await page.getByLabel("Name of Evening").press("Tab");
    await page.getByRole("button", { name: "Remove Late evening" }).click();
    await expect(
      page.getByRole("list", { name: "Schemes" }).getByRole("listitem"),
    ).toHaveCount(1);
    await page.getByRole("button", { name: "Close" }).click();
    await planner.saved();
  });

  test("a zone counts what stands in it, is dragged, and goes with Undo", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.openDemo();
    await page.getByRole("button", { name: "Zone", exact: true }).click();
    const at = await planner.at(14_500, 6_000);
    await page.mouse.move(at.x, at.y);
    await page.mouse.click(at.x, at.y);
    await expect(page.getByRole("heading", { name: "Zone" })).toBeVisible();
    await planner.type("Width", "6000");
    await planner.type("Depth", "12000");
    await page.getByLabel("Name", { exact: true }).fill("East");
    await page.getByLabel("Name", { exact: true }).press("Enter");
    await page.getByRole("button", { name: "Back to the list" }).click();
    const list = page.getByRole("list", { name: "Zones, walkways and marks" });
    await expect(list.getByRole("button", { name: /East/ })).toContainText(
      /[3-6] tables/,
    );
    // Taken by its edge, it moves by itself and the tables stay.
    const edge = await planner.at(11_500, 700);
    await page.mouse.move(edge.x, edge.y);
    await page.mouse.down();
    await page.mouse.move(edge.x - 20, edge.y, { steps: 3 });
    await page.mouse.move(edge.x - 40, edge.y, { steps: 3 });
    await page.mouse.up();
    await expect(page.getByLabel("Middle x")).not.toHaveValue(/^14/);
    await planner.saved();
    await page.keyboard.press("Control+z");
    await expect(page.getByLabel("Middle x")).toHaveValue(/^14/);
    await page.keyboard.press("Delete");
    await expect(list.getByRole("button", { name: /East/ })).toHaveCount(0);
  });

  test("a mark is written at true size and stands on the sheet", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.openDemo();
    await page.getByRole("button", { name: "Mark", exact: true }).click();
    const at = await planner.at(9_000, 9_800);
    await page.mouse.click(at.x, at.y);
    await page.getByLabel("Text", { exact: true }).fill("Speeches at nine");
    await page.getByLabel("Text", { exact: true }).press("Enter");
    await planner.type("Depth", "450");
    await planner.saved();
    const plan = page.url().split("/").at(-1)!;
    const svg = await (
      await page.request.get(
        `${process.env.WELLSEDES_URL}/api/plans/${plan}/sheets/sheet-a/draft.svg`,
      )
    ).text();
    expect(svg).toContain("Speeches at nine");
    await page.keyboard.press("Delete");
    await planner.saved();
  });

  test("a thing of the shell is edited by the fields its kind describes", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Under the roof");
    await planner.stage("Shell");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.part("Fixed");
    await page.getByRole("button", { name: "Low ceiling" }).click();
    const at = await planner.at(3000, 1500);
    await page.mouse.click(at.x, at.y);
    await planner.type("Low side", "900");
    await expect(page.getByLabel("High side")).toHaveValue("2\u00a0400");
    await expect(page.getByLabel("Low side")).toHaveValue("900");
    await planner.type("High side", "0");
    await planner.type("Low side", "0");
    await expect(page.getByRole("alert")).toContainText("low ceiling");
  });

  test("a deleted plan is brought back", async ({ planner, page }) => {
    await planner.signIn();
    await planner.newPlan("Gone for a while");
    await page.goto(process.env.WELLSEDES_URL!);
    await page.getByRole("button", { name: "Delete Gone for a while" }).click();
    const sure = page.getByRole("alertdialog");
    await expect(sure).toContainText("can be brought back for 30 days");
    await sure.getByRole("button", { name: "Delete" }).click();
    await expect(
      page.getByRole("link", { name: /Gone for a while/ }),
    ).toHaveCount(0);
    await page
      .getByText("Gone for a while")
      .getByRole("button", { name: "Bring back" })
      .click();
    await expect(
      page.getByRole("link", { name: /Gone for a while/ }),
    ).toBeVisible();
  });

  test("a plan with a fault says so, is not edited, and offers to take the last change back", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    // The server's answer as it is for a plan that can no longer be worked out.
    let faulty = true;
    await page.route("**/api/plans/*", async (route) => {
      const answer = await route.fetch();
      const view = await answer.json();
      if (faulty)
        view.fault = {
          entityId: "table-04",
          message: "Table 4 stands on nothing.",
          lastChange: "Move",
        };
      await route.fulfill({ response: answer, json: view });
    });
    let asked = 0;
    await page.route("**/api/plans/*/take-back", async (route) => {
      asked++;
      faulty = false;
      await route.fulfill({ status: 200, json: {} });
    });
    await page
      .getByRole("link", { name: /Orchard supper/ })
      .last()
      .click();
    const banner = page.getByRole("alert");
    await expect(banner).toContainText("opens for reading only");
    await expect(banner).toContainText("Table 4 stands on nothing. (table-04)");
    const edits: string[] = [];
    page.on("request", (request) => {
      if (request.method() === "POST" && request.url().endsWith("/edits"))
        edits.push(request.url());
    });
    await planner.plan.focus();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Delete");
    await page.keyboard.press("ArrowLeft");
    await page
      .getByRole("button", { name: "Take back the last change: Move" })
      .click();
    await expect(banner).toHaveCount(0);
    await expect(planner.item("Table 4, 8 seats")).toBeAttached();
    expect([asked, edits.length]).toEqual([1, 0]);
  });
});

test("all sheets come as one file, made in the background and told to be stale when the plan changes", async ({
  planner,
  page,
}) => {
  await planner.signIn();
  await planner.newPlan("A set");
  await planner.stage("Shell");
  await page.getByRole("button", { name: "Make the room" }).click();
  await expect(planner.tally).toContainText("24.0 m²");
  await planner.stage("Issue");
  await page
    .getByRole("button", { name: "All sheets of the scheme as one PDF" })
    .click();
  const link = page.getByRole("link", { name: "The set as PDF" });
  await expect(page.getByText("is of the plan as it is.")).toBeVisible();
  const answer = await page.request.get(
    process.env.WELLSEDES_URL! + (await link.getAttribute("href")),
  );
  expect((await answer.body()).subarray(0, 4).toString()).toBe("%PDF");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(
    page.getByText("is of an earlier state of the plan."),
  ).toBeVisible();
});
