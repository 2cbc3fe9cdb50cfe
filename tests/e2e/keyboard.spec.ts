import { items, room, type Placed } from "./furnish";
import { Job } from "./job";
import { expect, test, type Page } from "./page";

/** Goes by Tab to the field or button that is called so, and no other way. */
async function tabTo(page: Page, name: string, most = 220) {
  const met: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    const here = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
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
