import { jobIn, ownItems } from "./furnish";
import { expect, test } from "./page";
import { served } from "./sheet";

test("a model is brought in, made simpler, and stands on the plan and in space", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  await jobIn(planner, "A model", "40000", "30000");
  // A whole furnished hall as one thing: far more triangles than an own item keeps.
  const projects = (await (
    await page.request.get(`${process.env.WELLSEDES_URL}/api/projects`)
  ).json()) as { plans: { id: string; title: string }[] }[];
  const supper = projects
    .flatMap((project) => project.plans)
    .find((plan) => plan.title === "Orchard supper")!;
  const glb = await (
    await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${supper.id}/model.glb`,
    )
  ).body();
  const refused: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") refused.push(message.text());
  });
  await ownItems(page);
  await page.getByText("From a model (GLB)").click();
  const file = page.getByLabel("GLB model");
  await file.setInputFiles({
    name: "not a model.glb",
    mimeType: "model/gltf-binary",
    buffer: Buffer.from("this is no model at all, whatever it is called"),
  });
  await expect(page.getByRole("alert")).toContainText("This is no GLB file");
  await file.setInputFiles({
    name: "small hall.glb",
    mimeType: "model/gltf-binary",
    buffer: glb,
  });
  await expect(
    page.getByText(/\d+ triangles, of which 2000 are kept/),
  ).toBeVisible();
  await page.getByRole("textbox", { name: "True width" }).fill("6000");
  await page.getByRole("textbox", { name: "True width" }).press("Enter");
  await page.getByRole("button", { name: "Bring it in" }).last().click();
  await planner.saved();
  type Own = {
    type: string;
    item: {
      name: string;
      size: { width: number };
      shape: { mesh: { triangles: number[] }; outline: unknown[] };
    };
  };
  const kept = async () =>
    ((await served(page)).entities as Own[]).find(
      (one) => one.type === "own-item",
    );
  await expect.poll(kept, { timeout: 20_000 }).toBeDefined();
  const own = (await kept())!;
  expect(own.item.name).toBe("small hall");
  expect(own.item.size.width).toBe(6000);
  expect(own.item.shape.mesh.triangles.length / 3).toBeGreaterThan(300);
  expect(own.item.shape.mesh.triangles.length / 3).toBeLessThanOrEqual(2000);
  expect(refused.filter((text) => /Content Security/.test(text))).toEqual([]);
});
