import { join } from "node:path";
import { Job } from "./job";
import { expect, type Page, type Planner } from "./page";
import { served } from "./sheet";

export interface Placed {
  id: string;
  type: string;
  catalogue: string;
  x: number;
  y: number;
  rotation: number;
  width?: number;
  depth?: number;
  elevation?: number;
  standsOn?: string;
  parameters?: Record<string, number | number[]>;
}

export const items = async (page: Page): Promise<Placed[]> =>
  (await served(page)).entities.filter(
    (e: { type: string }) => e.type === "item",
  );

/** A room by its typed sizes, then Furnish. */
export async function room(
  planner: Planner,
  job: Job,
  title: string,
  width: string,
  depth: string,
  units = "Metric",
) {
  await planner.signIn();
  await planner.newPlan(title, units);
  await planner.stage("Shell");
  await job.type("Width inside", width);
  await job.type("Depth inside", depth);
  await job.press("Make the room");
  // "All changes saved" is said before it too: only with the room there is something to undo, and to fit.
  await expect(
    planner.page.getByRole("button", { name: "Undo", exact: true }),
  ).toBeEnabled();
  await planner.saved();
  await planner.stage("Furnish");
}

/** A job that begins in an empty room, all of it in view: from here on what the hand does is counted. */
export async function jobIn(
  planner: Planner,
  ...of: [title: string, width: string, depth: string, units?: string]
): Promise<Job> {
  const job = new Job(planner.page, planner);
  await room(planner, job, ...of);
  await job.press("fit");
  job.actions = 0;
  return job;
}

/** Finds something, types the size that was bought, and presses where its middle goes. */
export async function put(
  job: Job,
  search: string,
  name: RegExp,
  x: number,
  y: number,
  size: Record<string, string> = {},
) {
  const { page, planner } = job;
  const before = (await items(page)).length;
  job.actions += 2;
  await page.getByLabel("Search the catalogue").fill(search);
  const entry = page
    .getByRole("list", { name: "Catalogue items" })
    .getByRole("button", { name })
    .first();
  await entry.click();
  const panel = page.getByRole("region", { name: "Size to place" });
  for (const [label, text] of Object.entries(size)) {
    job.actions++;
    const field = panel.getByLabel(label, { exact: true });
    await field.fill(text);
    const formed = page.waitForResponse((r) => r.url().includes("/form?"));
    await field.press("Enter");
    await formed;
  }
  job.actions++;
  await job.point(x, y);
  const at = await planner.at(x, y);
  // Free of catches: exactly where it was pressed.
  await page.keyboard.down("Alt");
  await page.mouse.click(at.x, at.y);
  await page.keyboard.up("Alt");
  await expect.poll(async () => (await items(page)).length).toBe(before + 1);
  await planner.saved();
}

export const foot = 304.8;
export const pictures = join(__dirname, "..", "..", "demo", "pictures");
export const rugPicture = join(pictures, "heath-rug.png");

/** The ways to an own item, beneath the catalogue; or the whole catalogue again. */
export async function ownItems(page: Page, shown = true) {
  const own = page.getByRole("button", { name: "Own", exact: true });
  if ((await own.getAttribute("aria-pressed")) !== `${shown}`)
    await own.click();
}
