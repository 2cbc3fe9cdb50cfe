import { validateBytes } from "../../web/node_modules/gltf-validator/index.js";
import { jobIn, put } from "./furnish";
import { expect, test, type Page } from "./page";

const space = (page: Page) => page.getByRole("region", { name: "In space" });
const canvas = (page: Page) => space(page).locator("canvas");

/** How many different tones a part of the picture shows: an empty one has one. */
async function tones(page: Page) {
  const shot = await canvas(page).screenshot();
  return page.evaluate(
    async (bytes) => {
      const picture = await createImageBitmap(
        new Blob([new Uint8Array(bytes)], { type: "image/png" }),
      );
      const paper = new OffscreenCanvas(picture.width, picture.height);
      const ctx = paper.getContext("2d")!;
      ctx.drawImage(picture, 0, 0);
      const { data } = ctx.getImageData(0, 0, picture.width, picture.height);
      const seen = new Set<number>();
      for (let i = 0; i < data.length; i += 4)
        seen.add((data[i]! << 16) | (data[i + 1]! << 8) | data[i + 2]!);
      return seen.size;
    },
    [...shot],
  );
}

test("a room in space: beside the plan, picked in it, walked at eye level, taken as a picture and as a model", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  const job = await jobIn(planner, "In space", "8000", "6000");
  await put(job, "round table 1525", /^Round table 1525/, 4000, 3000);
  await page.keyboard.press("Escape");
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
  await expect(
    page.getByRole("option", { name: /Table 1/ }).first(),
  ).toHaveAttribute("aria-selected", "true");
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
  await page.waitForTimeout(500);
  const whole = await canvas(page).screenshot();
  await page
    .getByRole("option", { name: /Table 1/ })
    .first()
    .focus();
  await page.keyboard.press("Delete");
  await planner.saved();
  await expect
    .poll(async () => whole.equals(await canvas(page).screenshot()))
    .toBe(false);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await planner.saved();
  // A picture, and the model: valid by the validator of the standard's makers.
  const [picture] = await Promise.all([
    page.waitForEvent("download"),
    space(page).getByRole("button", { name: "Picture" }).click(),
  ]);
  expect(picture.suggestedFilename()).toMatch(/\.png$/);
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
