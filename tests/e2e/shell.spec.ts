import { expect, frames, test, type Page } from "./page";

const drag = async (
  page: Page,
  from: { x: number; y: number },
  to: { x: number; y: number },
) => {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 3 });
  await frames(page, 12);
};

test.describe("the shell by hand", () => {
  test.beforeEach(async ({ planner, page }) => {
    await planner.signIn();
    await planner.newPlan("Shell by hand");
    await planner.stage("Shell");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(planner.tally).toContainText("24.0 m²");
    await page.getByRole("button", { name: "fit" }).click();
  });

  test("a wall dragged shows the area as it would be, and its door stays in it", async ({
    planner,
    page,
  }) => {
    await planner.part("Openings");
    await page.getByRole("button", { name: /^Put a door/ }).click();
    const seat = await planner.at(2000, 100);
    await page.mouse.click(seat.x, seat.y);
    await expect(page.getByLabel("From west corner")).toHaveValue("1\u00a0495");
    await page.getByRole("button", { name: "Back to the rooms" }).click();
    await drag(
      page,
      await planner.at(4500, -150),
      await planner.at(4500, -1150),
    );
    await expect(page.getByText("30.0 m²").first()).toBeVisible();
    await page.mouse.up();
    await planner.saved();
    await expect(planner.tally).toContainText("30.0 m²");
    await page.keyboard.press("Control+z");
    await expect(planner.tally).toContainText("24.0 m²");
  });

  test("a door is dragged round the corner into another wall, and turned with one press each", async ({
    planner,
    page,
  }) => {
    await planner.part("Openings");
    await page.getByRole("button", { name: /^Put a door/ }).click();
    const seat = await planner.at(2000, 100);
    await page.mouse.click(seat.x, seat.y);
    await expect(page.getByRole("heading", { name: /^Door, / })).toBeVisible();
    await drag(
      page,
      await planner.at(2000, -150),
      await planner.at(5950, 2500),
    );
    await page.mouse.up();
    await expect(page.getByLabel("From south corner")).toHaveValue(
      "1\u00a0995",
    );
    await page.getByRole("button", { name: "Flip hinge" }).click();
    await page.getByRole("button", { name: "Flip swing" }).click();
    await planner.saved();
    await page
      .getByRole("button", { name: "Centre between the corners" })
      .click();
    await expect(page.getByLabel("From south corner")).toHaveValue(
      "1\u00a0495",
    );
  });

  test("a typed inside length, and the shell locked outside its stage", async ({
    planner,
    page,
  }) => {
    const wall = await planner.at(3000, -150);
    await page.mouse.click(wall.x, wall.y);
    await planner.type("Inside", "7200");
    await expect(planner.tally).toContainText("28.8 m²");
    await planner.stage("Furnish");
    await page.getByRole("button", { name: "fit" }).click();
    await drag(
      page,
      await planner.at(3000, -150),
      await planner.at(3000, -1150),
    );
    await page.mouse.up();
    await page.keyboard.press("Delete");
    await expect(planner.tally).toContainText("28.8 m²");
  });

  test("a second level with the shell copied up, seen faint, joined by a stair", async ({
    planner,
    page,
  }) => {
    await page.getByRole("button", { name: "Add a level above" }).click();
    await expect(page.getByRole("heading", { name: "Level 1" })).toBeVisible();
    await page.getByText("This level", { exact: true }).click();
    await page
      .getByRole("button", { name: "Copy the shell of Ground floor here" })
      .click();
    await expect(page.getByLabel("Name of the room")).toHaveValue("Room");
    await page.getByRole("checkbox", { name: "faint" }).check();
    await planner.choose("Level", "Ground floor");
    await planner.part("Fixed");
    await page.getByRole("button", { name: "Stair", exact: true }).click();
    const at = await planner.at(3000, 2000);
    await page.mouse.click(at.x, at.y);
    await expect(page.getByLabel("Goes up to")).toHaveText("Level 1");
    await expect(page.getByLabel("Rise", { exact: true })).toHaveCount(0);
    await planner.choose("Level", "Level 1");
    await page.getByRole("button", { name: /More about/ }).click();
    await expect(page.locator("dl").first()).toContainText("20.10 m²");
  });

  test("a room is copied mirrored and shares the wall between", async ({
    planner,
    page,
  }) => {
    await page.getByRole("button", { name: /More about/ }).click();
    await planner.choose("Copy it", "LeftRight");
    await page.getByRole("button", { name: "Copy beside the plan" }).click();
    await expect(planner.tally).toContainText("48.0 m²");
    await expect(page.getByText("Walls (7)")).toBeVisible();
  });

  test("setting-out lines catch what is placed", async ({ planner, page }) => {
    await planner.part("Set out");
    await planner.type("Distance", "1500");
    await page
      .getByRole("button", { name: "Set out", exact: true })
      .last()
      .click();
    await expect(
      page.getByText("1 line", { exact: false }).first(),
    ).toBeVisible();
    await planner.part("Fixed");
    await page.getByRole("button", { name: "Round column" }).click();
    const near = await planner.at(2500, 1540);
    await page.mouse.move(near.x, near.y);
    await frames(page, 9);
    await page.mouse.click(near.x, near.y);
    await expect(
      page.getByLabel("From wall", { exact: true }).first(),
    ).toBeVisible();
    const values = await page
      .getByLabel(/Middle [xy]/)
      .evaluateAll((fields) =>
        fields.map((f) => (f as HTMLInputElement).value),
      );
    expect(
      values.some((v) =>
        ["1\u00a0500", "2\u00a0500", "4\u00a0500"].includes(v),
      ),
    ).toBe(true);
  });

  test("the simulated distance meter fills the field that has the focus and plays a survey into a room", async ({
    planner,
    page,
  }) => {
    await planner.part("Set out");
    await page.getByRole("button", { name: "Connect", exact: true }).click();
    await expect(page.getByText("simulated, for demonstration")).toBeVisible();
    await page.getByLabel("Distance", { exact: true }).focus();
    await page.keyboard.press("Alt+m");
    await expect(page.getByLabel("Distance", { exact: true })).toHaveValue(
      "4\u00a0275",
    );
    await page
      .getByRole("button", { name: "Play the survey into a room" })
      .click();
    // 4.275 x 3.640 m inside.
    await expect(planner.tally).toContainText("39.6 m²", { timeout: 15_000 });
  });

  test("an end left short is offered to meet", async ({ planner, page }) => {
    await planner.part("Walls");
    await planner.choose("Wall type", "Stud 100");
    await planner.choose("Drawn along", "Centre");
    await page.getByRole("button", { name: "Draw walls" }).click();
    const from = await planner.at(3000, 4000);
    await page.mouse.click(from.x, from.y);
    await frames(page, 6);
    const towards = await planner.at(3000, 1000);
    await page.mouse.move(towards.x, towards.y);
    await frames(page, 6);
    await page.keyboard.type("3850");
    await page.keyboard.press("Enter");
    await expect(page.getByTestId("plan")).toHaveAttribute("data-sides", "1");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Extend to meet/ }).click();
    await expect(page.getByLabel("Name of the room")).toHaveCount(2);
  });
});
