import { join } from "node:path";
import { expect, frames, test, type Page } from "./page";
import { served } from "./sheet";

/** The entities of a kind, as the server has them. */
const entities = async (page: Page, type: string) =>
  (await served(page)).entities.filter(
    (e: { type: string }) => e.type === type,
  );

/** What has the focus: "plan", "page" or what it is called. */
const focus = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLElement | null;
    if (!at || at === document.body) return "page";
    return at.dataset.testid ?? at.textContent!.trim();
  });

async function keys(page: Page, ...all: string[]) {
  for (const key of all) await page.keyboard.press(key);
}

test.describe("hands and keys", () => {
  test("the walls either side are told, typed, and hold on the plan", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Either side");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.stage("Furnish");
    await page.getByPlaceholder(/Search/).fill("cupboard 1000");
    await page.getByRole("button", { name: /^Cupboard 1000/ }).focus();
    await keys(page, "Enter");
    await expect(page.getByLabel("To west wall")).toBeVisible();
    await planner.type("To west wall", "600");
    await expect(page.getByLabel("To west wall")).toHaveValue("600");
    // Enter gave the plan its focus back: the arrows move what is selected.
    await expect.poll(() => focus(page)).toBe("plan");
    await keys(page, "ArrowRight");
    await expect(page.getByLabel("To west wall")).toHaveValue("610");
    await planner.type("To north wall", "250");
    await expect(page.getByLabel("To north wall")).toHaveValue("250");
    await planner.saved();
    // A room of 6 000 x 4 000; the cupboard is 1 000 wide.
    await expect
      .poll(async () => (await entities(page, "item"))[0].x)
      .toBeCloseTo(610 + 500, 6);
    await planner.type("To south wall", "abc");
    await expect(page.getByRole("alert")).toContainText(
      "A figure was expected",
    );
    await page.getByLabel("To south wall").press("Escape");
    await page.getByLabel("To south wall").blur();
  });

  test("boundaries are dragged, moved by arrows and typed", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Split use");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(planner.tally).toContainText("24.0 m²");
    await planner.part("Walls");
    await page.getByRole("button", { name: "Draw a boundary" }).click();
    for (const [x, y] of [
      [2000, 0],
      [2000, 4000],
    ] as const) {
      const at = await planner.at(x, y);
      await page.mouse.move(at.x, at.y);
      await frames(page, 4);
      await page.mouse.click(at.x, at.y);
      await frames(page, 6);
    }
    await page.getByRole("button", { name: "End", exact: true }).click();
    await expect(page.getByLabel("Name of the room")).toHaveCount(2);
    const from = await planner.at(2000, 2600);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    const to = await planner.at(2500, 2600);
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await page.mouse.up();
    await planner.saved();
    await expect(
      page.getByRole("heading", { name: /^Boundary, / }),
    ).toBeVisible();
    await planner.type("To west wall", "1500");
    await expect(page.getByLabel("To west wall")).toHaveValue("1\u00a0500");
    await expect(page.getByLabel("To east wall")).toHaveValue("4\u00a0500");
    await expect.poll(() => focus(page)).toBe("plan");
    await keys(page, "Shift+ArrowRight");
    await expect(page.getByLabel("To west wall")).toHaveValue("1\u00a0600");
    await planner.saved();
    const [line] = await entities(page, "boundary");
    expect([line.start.x, line.end.x]).toEqual([1600, 1600]);
    await page.getByRole("button", { name: "Back to the rooms" }).click();
    await expect(page.locator("dl", { hasText: "6.40 m²" })).toBeVisible();
  });

  test("an opening is measured in the room that is chosen, and named by the rooms it joins", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Which face");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.part("Openings");
    await page.getByRole("button", { name: /^Put a door/ }).click();
    const at = await planner.at(3000, -60);
    await page.mouse.click(at.x, at.y);
    await expect(
      page.getByRole("heading", { name: /^Door, Room to outside, / }),
    ).toBeVisible();
    await planner.type("From west corner", "500");
    await expect(page.getByLabel("Measured in")).toHaveText("Room");
    await expect(page.getByLabel("From west corner")).toHaveValue("500");
    await planner.choose("Measured in", "outside");
    // The wall stands 300 thick: outside its corner lies as much farther west.
    await expect(page.getByLabel("From west corner")).toHaveValue("800");
    await planner.type("From west corner", "900");
    await expect(page.getByLabel("From west corner")).toHaveValue("900");
    await planner.choose("Measured in", "Room");
    await expect(page.getByLabel("From west corner")).toHaveValue("600");
    await page.getByRole("button", { name: "Back to the rooms" }).click();
    await expect(
      page.getByRole("button", { name: /^Door, Room to outside, / }),
    ).toBeVisible();
  });

  test("the focus never drops to the page", async ({ planner, page }) => {
    await planner.signIn();
    await planner.newPlan("Focus");
    await page.getByRole("button", { name: "Make the room" }).focus();
    await keys(page, "Enter");
    await expect(page.getByLabel("Name of the room")).toHaveCount(1);
    expect(await focus(page)).not.toBe("page");
    await page.getByLabel("Name of the room").fill("Hall");
    await page.getByLabel("Name of the room").press("Enter");
    await expect.poll(() => focus(page)).toBe("plan");
    // A wall is chosen and removed by keys: its panel goes, and its button with it.
    await page.getByText(/^Walls \(4\)/).click();
    await page
      .getByRole("button", { name: /^Wall, Hall/ })
      .first()
      .focus();
    await keys(page, "Enter");
    await page
      .getByRole("button", { name: "Remove with its openings" })
      .focus();
    await keys(page, "Enter");
    await expect(
      page.getByRole("button", { name: "Remove with its openings" }),
    ).toHaveCount(0);
    await expect.poll(() => focus(page)).toBe("plan");
    await keys(page, "Control+z");
    await expect(page.getByText(/^Walls \(4\)/)).toBeVisible();
  });

  test("a cross moved by keys presses what a pointer would", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Cross");
    await page.getByRole("button", { name: "Make the room" }).click();
    await expect(page.getByLabel("Name of the room")).toHaveCount(1);
    await planner.plan.focus();
    await keys(page, "m", "ArrowRight", "Enter");
    await keys(page, ...Array<string>(10).fill("ArrowRight"), "Enter");
    const measured = page.getByTestId("measure");
    await expect(measured).toBeVisible();
    const scale = await page.evaluate(
      () =>
        (
          document.querySelector("[data-testid=plan]") as HTMLElement & {
            planView(): { scale: number };
          }
        ).planView().scale,
    );
    const told = Number((await measured.textContent())!.replace(/\D/g, ""));
    expect(Math.abs(told - 120 / scale)).toBeLessThan(2);
    await keys(page, "Escape");
    // A column by keys alone: its button, the arrows, Enter.
    await planner.part("Set out");
    await page.getByRole("button", { name: /Line at this angle/ }).focus();
    await keys(page, "Enter");
    await expect.poll(() => focus(page)).toBe("plan");
    await keys(page, "ArrowUp", "Shift+ArrowUp", "Enter");
    await expect
      .poll(async () => (await entities(page, "setting-out-line")).length)
      .toBe(1);
  });

  test("while walls are drawn the view follows, and nothing covers the next run", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Far runs");
    await planner.part("Walls");
    await page.getByRole("button", { name: "Draw walls", exact: true }).click();
    await keys(page, "Enter");
    const box = (await planner.plan.boundingBox())!;
    const bar = (await page
      .getByRole("group", { name: "Drawing" })
      .boundingBox())!;
    const inView = async (x: number, y: number) => {
      const at = await planner.at(x, y);
      return (
        at.x > box.x &&
        at.x < box.x + box.width &&
        at.y > bar.y + bar.height &&
        at.y < box.y + box.height - 40
      );
    };
    let [x, y, count] = [0, 0, 0];
    for (const [key, dx, dy, length] of [
      ["ArrowRight", 1, 0, "45000"],
      ["ArrowUp", 0, 1, "30000"],
      ["ArrowLeft", -1, 0, "12000"],
      ["ArrowUp", 0, 1, "8000"],
    ] as const) {
      await keys(page, key, ...length, "Enter");
      x += dx * Number(length);
      y += dy * Number(length);
      count++;
      await expect
        .poll(() => planner.plan.getAttribute("data-sides"))
        .toBe(`${count}`);
      await expect.poll(() => inView(x, y)).toBe(true);
      // The next run as an arrow says it, before it is drawn.
      await keys(page, "ArrowUp");
      await expect.poll(() => inView(x, y + 1000)).toBe(true);
    }
  });

  test("a picture is cropped by dragging over it", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Cropped");
    await planner.part("Trace");
    await planner.type("PDF page", "two");
    await expect(page.getByRole("alert")).toContainText("no whole number");
    await planner.type("PDF page", "1");
    await page
      .getByLabel("Picture or PDF to trace")
      .setInputFiles(join(__dirname, "../../demo/pictures/keepers-flat.png"));
    await expect(page.getByText("2400 × 1500 pixels")).toBeVisible();
    await page.getByRole("button", { name: "fit" }).click();
    await page.getByRole("button", { name: /Crop by dragging/ }).click();
    // Ten metres wide, 2400 pixels: a pixel is 4.1667 mm.
    const mm = 10000 / 2400;
    const [a, b] = [
      await planner.at(300 * mm, 1200 * mm),
      await planner.at(2000 * mm, 250 * mm),
    ];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down();
    await page.mouse.move(b.x, b.y, { steps: 4 });
    await page.mouse.up();
    await expect(
      page.getByRole("button", { name: "Show all of it" }),
    ).toBeVisible();
    const [cropped] = await entities(page, "backing");
    const near = (value: number, wanted: number) =>
      expect(Math.abs(value - wanted), `${value} for ${wanted}`).toBeLessThan(
        6,
      );
    near(cropped.cropLeft, 300);
    near(cropped.cropRight, 400);
    near(cropped.cropTop, 300);
    near(cropped.cropBottom, 250);
    await page.getByRole("button", { name: "Show all of it" }).click();
    await expect
      .poll(async () => (await entities(page, "backing"))[0].cropLeft ?? 0)
      .toBe(0);
  });

  test("a count that cannot be read stops the form and is named", async ({
    planner,
    page,
  }) => {
    await planner.signIn();
    await planner.newPlan("Counts");
    await page.getByRole("button", { name: "Make the room" }).click();
    await planner.part("Set out");
    await page.getByLabel("How many").fill("three");
    await page
      .getByRole("button", { name: "Set out", exact: true })
      .last()
      .click();
    await expect(page.getByText("“How many” cannot be read")).toBeVisible();
    expect(await entities(page, "setting-out-line")).toEqual([]);
    await planner.stage("Furnish");
    await planner.type("Seats", "9x");
    await expect(page.getByText("“9x” is no whole number")).toBeVisible();
    await planner.type("Seats", "96");
    await planner.saved();
    expect((await entities(page, "brief"))[0].seats).toBe(96);
  });
});
