import { join } from "node:path";
import { items, ownItems, pictures, put, room } from "./furnish";
import { Job } from "./job";
import { expect, test } from "./page";
import { served, sheetSvg, sheetText } from "./sheet";

test("own items: drawn, told what they are, set to size by two points, kept for all projects, taken together", async ({
  planner,
  page,
}) => {
  test.setTimeout(60_000);
  const job = new Job(page, planner);
  await room(planner, job, "Own items", "7000", "5000");
  await ownItems(page);
  await job.press("Draw its outline");
  for (const [x, y] of [
    [2000, 2000],
    [4000, 2000],
    [4000, 2800],
    [3000, 2800],
    [3000, 3500],
    [2000, 3500],
  ] as const)
    await job.click(x, y);
  await job.press("Close it");
  await page
    .getByRole("textbox", { name: "Name of the own item" })
    .first()
    .fill("Corner plinth");
  await job.press("Keep it");
  await planner.saved();
  const panel = page.locator("aside").last();
  await expect(panel.getByRole("heading", { level: 2 })).toHaveText(
    "Corner plinth",
  );
  const plinth = async () =>
    (await items(page)).find((i) => i.catalogue.startsWith("own"))!;
  const view = async () => {
    const { id } = await plinth();
    return (await served(page)).items.find((i: { id: string }) => i.id === id);
  };
  expect((await view()).width).toBeCloseTo(2000, -2);
  // Its long side is truly 2 400: two points on it, and the distance.
  await job.press("Set to size by two points");
  await job.click(2000, 2000);
  await job.click(4000, 2000);
  await job.set("They are apart", "2400");
  await expect.poll(async () => (await view()).width).toBeGreaterThan(2350);
  const ratio = (await view()).depth / (await view()).width;
  expect(ratio).toBeGreaterThan(0.7);
  // Everything that is said of it, in one window.
  await job.press("Change the own item …");
  const window = page.getByRole("dialog", { name: "Own item" });
  await window.getByLabel("Name").fill("Plinth for the urn");
  await window.getByLabel("Height").fill("450");
  await window.getByLabel("Height").press("Enter");
  await window.getByLabel("Code").fill("PL-9");
  await window.getByLabel("Price").fill("120");
  await window.getByLabel("Say the floor it needs in use").check();
  await window.getByLabel("In front").fill("700");
  await window.getByLabel("In front").press("Enter");
  await window.getByRole("button", { name: "Change it" }).click();
  await expect(window.getByRole("status")).toContainText("Changed");
  await window
    .getByRole("button", { name: "Keep for all my projects" })
    .click();
  await expect(window.getByRole("status")).toContainText("Kept");
  await window.getByRole("button", { name: "Close" }).click();
  job.actions += 8;
  const own = (await served(page)).entities.find(
    (e: { type: string }) => e.type === "own-item",
  );
  expect(own.item).toMatchObject({
    name: "Plinth for the urn",
    supplierCode: "PL-9",
    price: 120,
    uses: { front: 700 },
  });
  const mine = await (
    await page.request.get(`${process.env.WELLSEDES_URL}/api/my-library`)
  ).json();
  expect(mine.map((i: { name: string }) => i.name)).toContain(
    "Plinth for the urn",
  );
  // Two things as one: a chair and a table beside it.
  await ownItems(page, false);
  await put(job, "armchair", /^Armchair/, 5500, 1200);
  await put(job, "side table", /^Side table/, 6300, 1200);
  await page.keyboard.press("Escape");
  await page
    .getByRole("option", { name: /^Armchair/ })
    .first()
    .focus();
  await page.keyboard.press("Enter");
  await page
    .getByRole("option", { name: /^Side table/ })
    .first()
    .focus();
  await page.keyboard.press("Shift+Enter");
  await page.getByLabel("Search the catalogue").fill("");
  await ownItems(page);
  await job.press("Of what is chosen (2)");
  await page
    .getByRole("textbox", { name: "Name of the own item" })
    .first()
    .fill("Reading corner");
  await job.press("Keep it");
  await planner.saved();
  await expect.poll(async () => (await items(page)).length).toBe(2);
  const sheet = await sheetText(page);
  expect(sheet).toMatch(
    /Plinth for the urn\s+2 \d{3}(\.\d+)? × 1 \d{3}(\.\d+)?\s+1/,
  );
  expect(sheet).toMatch(/Reading corner\s+\d/);
  job.done("Own items");
});

test("a floor is laid with a picture of one's own, and walls are tinted; the sheet shows both", async ({
  planner,
  page,
}) => {
  const job = new Job(page, planner);
  await room(planner, job, "Finishes", "4000", "3000");
  const panel = page.locator("aside").last();
  await panel.getByText("Finishes").click();
  await panel.getByRole("radio", { name: "Linen" }).click();
  await panel
    .getByLabel(/Picture to lay on/)
    .setInputFiles(join(pictures, "terrazzo.webp"));
  await planner.saved();
  await expect(panel.getByLabel("Width", { exact: true })).toHaveValue(
    /1\s?000/,
  );
  await job.set("Width", "500");
  await job.set("Length", "500");
  await planner.choose("Floor to finish", "Walls of Room", panel);
  await panel.getByRole("radio", { name: "Dusk" }).click();
  await planner.saved();
  await expect(
    panel.getByRole("list", { name: "What tints stand for" }),
  ).toContainText("laid with a picture, 500 × 500");
  const svg = await sheetSvg(page);
  expect(svg).toContain("<pattern id=");
  expect(svg).toContain('fill="#5B6C93"');
  job.done("Finishes");
});
