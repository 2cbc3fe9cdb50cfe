import AxeBuilder from "../../web/node_modules/@axe-core/playwright/dist/index.js";
import { validateBytes } from "../../web/node_modules/gltf-validator/index.js";
import { items, jobIn, put } from "./furnish";
import { expect, frames, test } from "./page";
import { canvas, openSpace, space, tableIn, tableOne, tones } from "./space";

test("a room in space: beside the plan, picked in it, walked at eye level, taken as a picture and as a model", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await tableIn(planner, page, "In space");
  // What draws it is not there before it is asked for.
  const loaded: string[] = [];
  page.on("request", (request) => loaded.push(request.url()));
  await page.getByRole("button", { name: "In space", exact: true }).click();
  await expect(canvas(page)).toHaveAttribute("data-ready", "true");
  expect(loaded.some((url) => /assets\/space-.*\.js/.test(url))).toBe(true);
  await expect.poll(() => tones(page)).toBeGreaterThan(20);
  // Who cannot see it is told what is there.
  await expect(canvas(page)).toHaveAttribute("aria-label", /Table 1/);
  // The table stands in the middle of the room, which is the middle of the picture: pressed there it is selected on the plan.
  const box = (await canvas(page).boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2 + 4);
  await expect(tableOne(page)).toHaveAttribute("aria-selected", "true");
  // On one's feet: seen from inside, and on by a key.
  await space(page).getByRole("button", { name: "Standing" }).click();
  await expect.poll(() => tones(page)).toBeGreaterThan(8);
  const before = await canvas(page).screenshot();
  await canvas(page).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowLeft");
  await expect
    .poll(async () => before.equals(await canvas(page).screenshot()))
    .toBe(false);
  // A change on the plan is one in space.
  await space(page).getByRole("button", { name: "From above" }).click();
  await frames(page, 29);
  const whole = await canvas(page).screenshot();
  await tableOne(page).focus();
  await page.keyboard.press("Delete");
  await planner.saved();
  await expect
    .poll(async () => whole.equals(await canvas(page).screenshot()))
    .toBe(false);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await planner.saved();
  // The model: valid by the validator of the standard's makers.
  const href = await space(page)
    .getByRole("link", { name: "GLB" })
    .getAttribute("href");
  const answer = await page.request.get(`${process.env.WELLSEDES_URL}${href}`);
  expect(answer.headers()["content-type"]).toBe("model/gltf-binary");
  const report = await validateBytes(new Uint8Array(await answer.body()));
  expect(report.issues.messages).toEqual([]);
  expect(report.issues.numErrors + report.issues.numWarnings).toBe(0);
  expect(report.info.totalTriangleCount).toBeGreaterThan(300);
});

test("where the browser draws nothing in space it says so, and the model can be taken", async ({
  planner,
  page,
}) => {
  await page.addInitScript(() => {
    const real = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (
      this: HTMLCanvasElement,
      kind: string,
      ...rest: unknown[]
    ) {
      return kind.startsWith("webgl")
        ? null
        : (real as (...all: unknown[]) => unknown).call(this, kind, ...rest);
    } as typeof real;
  });
  await jobIn(planner, "No space", "8000", "6000");
  await page.getByRole("button", { name: "In space", exact: true }).click();
  await expect(space(page).getByRole("alert")).toContainText("no WebGL");
  await expect(space(page).getByRole("link", { name: "GLB" })).toBeVisible();
  // The plan beside it goes on.
  await space(page).getByRole("button", { name: "Close" }).click();
  await expect(planner.plan).toBeVisible();
});

test("the demo's plans as models are valid", async ({ planner, page }) => {
  await planner.signIn();
  const projects = await (
    await page.request.get(`${process.env.WELLSEDES_URL}/api/projects`)
  ).json();
  const plans: { id: string }[] = projects.flatMap(
    (project: { plans: { id: string }[] }) => project.plans,
  );
  expect(plans.length).toBeGreaterThanOrEqual(3);
  for (const { id } of plans.slice(0, 6)) {
    const answer = await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${id}/model.glb`,
    );
    const report = await validateBytes(new Uint8Array(await answer.body()));
    expect(report.issues.numErrors + report.issues.numWarnings).toBe(0);
  }
});

test("what is selected is dragged over the floor in space, and Esc puts it back", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await tableIn(planner, page, "Dragged in space");
  await openSpace(page);
  await expect.poll(() => tones(page)).toBeGreaterThan(20);
  const table = async () => (await items(page))[0]!;
  const at = async () => {
    const { x, y } = await table();
    return { x: Math.round(x), y: Math.round(y) };
  };
  expect(await at()).toEqual({ x: 4000, y: 3000 });
  const box = (await canvas(page).boundingBox())!;
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2 + 4];
  await page.mouse.click(cx, cy);
  await expect(tableOne(page)).toHaveAttribute("aria-selected", "true");
  // Held and let go with Esc: nothing has happened.
  await page.mouse.move(cx, cy);
  await page.mouse.down();
  await page.mouse.move(cx + 30, cy, { steps: 4 });
  await page.keyboard.press("Escape");
  await page.mouse.up();
  expect(await at()).toEqual({ x: 4000, y: 3000 });
  // Dragged to the right of the picture it goes east, and a little south: one looks from the south-west.
  await page.mouse.move(cx, cy);
  await page.mouse.down();
  await page.mouse.move(cx + 45, cy, { steps: 6 });
  // What it is clear of is told while it is held.
  await expect(
    space(page).getByRole("list", { name: "Clear distances" }),
  ).toContainText(/\d/);
  await page.mouse.up();
  await planner.saved();
  await expect.poll(async () => (await at()).x).toBeGreaterThan(4300);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await planner.saved();
  await expect.poll(at).toEqual({ x: 4000, y: 3000 });
  // With Shift straight up, put back with Esc while it is held.
  await frames(page, 24);
  await page.mouse.move(cx, cy);
  await page.keyboard.down("Shift");
  await page.mouse.down();
  await page.mouse.move(cx, cy - 30, { steps: 5 });
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await page.keyboard.up("Shift");
  await frames(page, 24);
  expect((await table()).elevation ?? 0).toBe(0);
  // With Shift straight up, off the floor.
  await frames(page, 24);
  await page.mouse.move(cx, cy);
  await page.keyboard.down("Shift");
  await page.mouse.down();
  await page.mouse.move(cx, cy - 30, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up("Shift");
  await planner.saved();
  await expect
    .poll(async () => (await table()).elevation ?? 0)
    .toBeGreaterThan(100);
  expect(await at()).toEqual({ x: 4000, y: 3000 });
});

test("Esc in the middle of a drag on the plan puts back what the hand holds, and it stays selected", async ({
  planner,
  page,
}) => {
  const job = await jobIn(planner, "Put back", "8000", "6000");
  await put(job, "round table 1525", /^Round table 1525/, 4000, 3000);
  const where = async () => (await items(page))[0]!;
  const before = await where();
  const at = await planner.at(4000, 3000);
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 80, at.y + 10, { steps: 5 });
  await page.keyboard.press("Escape");
  await page.mouse.move(at.x + 120, at.y + 10, { steps: 3 });
  await page.mouse.up();
  await planner.saved();
  const after = await where();
  expect([after.x, after.y]).toEqual([before.x, before.y]);
  await expect(tableOne(page)).toHaveAttribute("aria-selected", "true");
});

test("in space there is no fault an accessibility checker finds", async ({
  planner,
  page,
}) => {
  await planner.signIn();
  await planner.openDemo();
  await openSpace(page);
  const faults = async () =>
    (
      await new AxeBuilder({ page })
        .include('section[aria-label="In space"]')
        .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
        .analyze()
    ).violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join("; ")}`,
    );
  await space(page)
    .getByRole("button", { name: "Viewpoints", exact: true })
    .click();
  await space(page).getByText("What is seen, in words").click();
  await expect(
    space(page).getByRole("list", { name: "What is seen" }),
  ).toContainText("m");
  expect(await faults()).toEqual([]);
  await space(page).getByRole("button", { name: "Standing" }).click();
  await space(page).getByRole("button", { name: "Show", exact: true }).click();
  await space(page).getByLabel("Sun").check();
  expect(await faults()).toEqual([]);
});
