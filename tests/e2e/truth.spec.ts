import { expect, test } from "./page";
import { sheetText } from "./sheet";

test.describe("what is said is what is so", () => {
  test("a new plan begins with its space, in one of three ways", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Begun");
    const invitation = page.getByRole("region", { name: "How to begin" });
    await expect(invitation).toBeVisible();
    await invitation
      .getByRole("button", { name: "Type the size of a room" })
      .click();
    await expect(page.getByLabel("Width inside")).toBeFocused();
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(invitation).toHaveCount(0);
    await expect(planner.tally).toContainText("24.0 m²");
  });

  test("a figure that cannot be read stops the form and is named", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Unread");
    await page.getByLabel("Width inside").fill("abc");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(page.getByText("“Width inside” cannot be read")).toBeVisible();
    await expect(page.getByLabel("Name of the room")).toHaveCount(0);
    await page.getByLabel("Width inside").fill("13'-9\"");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(page.getByLabel("Name of the room")).toHaveCount(1);
    await expect(planner.tally).toContainText("16.8 m²");
  });

  test("walls stand on the side that is shown and stay there, until X puts them on the other", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Sides");
    await planner.part("Walls");
    await page.getByRole("button", { name: "Draw walls", exact: true }).click();
    await expect(
      page.getByRole("button", { name: "Wall to the right" }),
    ).toBeVisible();
    const keys = async (...all: string[]) => {
      for (const key of all) await page.keyboard.press(key);
    };
    const ends = async () => {
      await planner.saved();
      const plan = page.url().split("/").at(-1)!;
      const file = await (
        await page.request.get(
          `${process.env.WELLSEDES_URL}/api/plans/${plan}/file`,
        )
      ).json();
      return file.entities
        .filter((e: { type: string }) => e.type === "wall")
        .map((w: { start: { y: number } }) => w.start.y);
    };
    // East, then south: the chain turns right, and the first wall stays south of its line all the same.
    await keys("Enter", "ArrowRight", ..."5000", "Enter");
    await expect.poll(ends).toEqual([-150]);
    await keys("ArrowDown", ..."4000", "Enter");
    await expect.poll(async () => (await ends())[0]).toBe(-150);
    await keys("x");
    await expect(
      page.getByRole("button", { name: "Wall to the left" }),
    ).toBeVisible();
    await expect.poll(async () => (await ends())[0]).toBe(150);
  });

  test("Ctrl+Z takes back the last change while a field has the focus", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Focused");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(planner.tally).toContainText("24.0 m²");
    await page.getByLabel("Depth inside").focus();
    await page.keyboard.press("Control+z");
    await expect(page.getByLabel("Name of the room")).toHaveCount(0);
  });

  test("Delete in Issue removes nothing, and the sheet of a draft has no revision", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Kept");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.stage("Furnish");
    await page.getByLabel("Search the catalogue").fill("round 1525");
    await page.getByRole("button", { name: /^Round table 1525/ }).focus();
    await page.keyboard.press("Enter");
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    // Its one table is not reached: nobody has said where people come in, and that is said once.
    await planner.stage("Prove");
    await expect(page.getByText("No entrance marked")).toBeVisible();
    await expect(page.getByText(/^No way to/)).toHaveCount(0);
    await planner.stage("Issue");
    await page.keyboard.press("Delete");
    await planner.stage("Furnish");
    await expect(planner.item("Table 1, 8 seats")).toBeAttached();
    const sheet = await sheetText(page);
    expect(sheet).toContain("Figures in millimetres; do not scale.");
    expect(sheet).toMatch(/Net internal area\s+24\.0 m²/);
    expect(sheet).toMatch(/Rev\.[\s\S]*–/);
  });
});
