import { items, put, room } from "./furnish";
import { Job } from "./job";
import { expect, test } from "./page";

test("four desks and a cupboard strewn about: lined up, spaced by a typed gap, set along a wall, their pitch corrected", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Lined up", "12000", "6000");
  await job.press("fit");
  const strewn = [
    [1500, 1500],
    [3600, 1900],
    [5900, 1400],
    [8200, 2100],
  ] as const;
  for (const [x, y] of strewn) await put(job, "desk 1400", /^Desk 1400/, x, y);
  await put(job, "cupboard 1000", /^Cupboard 1000/, 10400, 3900);
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+a");
  const panel = page.locator("aside").last();
  await expect(panel.getByRole("heading", { level: 2 })).toHaveText("5 items");
  await job.press("Middles level");
  await planner.saved();
  const across = async () =>
    (await items(page)).map((i) => i.x).sort((a, b) => a - b);
  await expect
    .poll(
      async () => new Set((await items(page)).map((i) => i.y.toFixed(6))).size,
    )
    .toBe(1);
  await job.set("Clear gap", "600");
  // Desks of 1400 with 600 between, the cupboard of 1000 after them.
  await expect
    .poll(async () => (await across())[1]! - (await across())[0]!)
    .toBeCloseTo(2000, 3);
  const lined = await across();
  expect(lined[4]! - lined[3]!).toBeCloseTo(700 + 600 + 500, 3);
  await job.set("Gap at a wall", "200");
  await job.press("A wall");
  await job.click(6000, 5900);
  // Their backs to the north wall, whose inner face is at 6000.
  await expect
    .poll(async () =>
      (await items(page)).map(({ y, rotation, catalogue }) =>
        Math.round(
          y + (catalogue === "desk-1400" ? 400 : 225) + (rotation % 360),
        ),
      ),
    )
    .toEqual([6000, 6000, 6000, 6000, 6000]);
  // One figure corrected: the pitch; undone it is as it was.
  const before = await across();
  await job.set("Pitch", "1900");
  await expect
    .poll(async () => (await across())[3]! - (await across())[2]!)
    .toBeCloseTo(1900, 3);
  await page.keyboard.press("Control+z");
  await expect.poll(across).toEqual(before);
  // From one, all of its kind.
  await page.keyboard.press("Escape");
  await page.getByRole("option", { name: /^Desk/ }).first().focus();
  await page.keyboard.press("Enter");
  await panel.getByText("Select more, order").click();
  await panel.getByRole("button", { name: "All of its kind" }).click();
  await expect(panel.getByRole("heading", { level: 2 })).toHaveText("4 items");
  job.done("Lined up");
});
