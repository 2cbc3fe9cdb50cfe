import { expect, test } from "./page";

test.describe("schemes, zones and marks", () => {
  test("one looks at another scheme: its items, figures, findings and sheet", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.openDemo();
    await expect(planner.item("Table 4, 8 seats")).toBeAttached();
    await page
      .getByLabel("Scheme", { exact: true })
      .selectOption({ label: "Members' meeting" });
    await expect(planner.tally).toContainText("150 of 150");
    await expect(planner.tally).toContainText("No findings");
    await expect(planner.item("Table 4, 8 seats")).toHaveCount(0);
    await expect(page.getByText("Items (152)")).toBeVisible();
    await planner.stage("Issue");
    await expect(page.getByLabel("Sheet", { exact: true })).toHaveValue(
      "members-sheet",
    );
    await expect(page.getByLabel("Title", { exact: true })).toHaveValue(
      /Members' meeting/,
    );
    await page
      .getByLabel("Scheme", { exact: true })
      .selectOption({ label: "Supper" });
    await expect(planner.tally).toContainText("96 of 96");
    await expect(page.getByLabel("Sheet", { exact: true })).toHaveValue(
      "sheet-a",
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
    await page.getByRole("button", { name: /Round table 1525/ }).focus();
    await page.keyboard.press("Enter");
    await expect(planner.tally).toContainText("8");
    const schemes = page.getByLabel("Scheme", { exact: true });
    await schemes.selectOption({ label: "Schemes…" });
    await page.getByLabel("Name of the new scheme").fill("Evening");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(schemes.locator("option:checked")).toHaveText("Evening");
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Delete");
    await expect(planner.item("Table 1, 8 seats")).toHaveCount(0);
    await schemes.selectOption({ label: "Scheme A" });
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    await schemes.selectOption({ label: "Schemes…" });
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
    const list = page.getByRole("list", { name: "Zones and marks" });
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
    page.on("dialog", (dialog) => void dialog.accept());
    await page.getByRole("button", { name: "Delete Gone for a while" }).click();
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
});
