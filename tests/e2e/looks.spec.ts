import { expect, frames, test } from "./page";
import { served } from "./sheet";
import { canvas, openSpace, space, tableIn, tableOne } from "./space";

test("a look is kept, gone back to, pictured, and its picture stands on the sheet and in the register", async ({
  planner,
  page,
}) => {
  test.setTimeout(120_000);
  await tableIn(planner, page, "Looks");
  await openSpace(page);
  // At a typed height, two looks under names.
  await space(page).getByRole("button", { name: "Standing" }).click();
  const eyes = space(page).getByLabel("Height of the eyes");
  await eyes.fill("1750");
  await eyes.press("Enter");
  await space(page)
    .getByRole("button", { name: "Viewpoints", exact: true })
    .click();
  const keep = async (name: string) => {
    await space(page).getByLabel("Name of the viewpoint").fill(name);
    await space(page)
      .getByRole("button", { name: "Keep", exact: true })
      .click();
    await expect(
      space(page).getByRole("button", { name, exact: true }),
    ).toBeVisible();
    await planner.saved();
  };
  await keep("At my height");
  await space(page).getByRole("button", { name: "From above" }).click();
  await keep("Above");
  type Kept = {
    type: string;
    name: string;
    z: number;
    pitch: number;
    shows: { inside?: boolean };
  };
  const kept = ((await served(page)).entities as Kept[]).filter(
    (one) => one.type === "viewpoint",
  );
  const eye = kept.find((one) => one.name === "At my height")!;
  expect(eye.z).toBe(1750);
  expect(eye.shows.inside).toBe(true);
  expect(kept.find((one) => one.name === "Above")!.pitch).toBeLessThan(-20);
  // Gone back to, it is the same look to the pixel.
  await space(page)
    .getByRole("button", { name: "At my height", exact: true })
    .click();
  await frames(page, 24);
  // The part of the picture that nothing lies over.
  const box = (await canvas(page).boundingBox())!;
  const shot = () =>
    page.screenshot({
      clip: {
        x: box.x + box.width - 105,
        y: box.y + 70,
        width: 95,
        height: box.height - 140,
      },
    });
  const first = await shot();
  await canvas(page).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowLeft");
  await expect.poll(async () => first.equals(await shot())).toBe(false);
  await space(page)
    .getByRole("button", { name: "At my height", exact: true })
    .click();
  await expect.poll(async () => first.equals(await shot())).toBe(true);
  await expect(eyes).toHaveValue(/1.750/);
  // In words, for who cannot see it.
  await space(page).getByText("What is seen, in words").click();
  await expect(
    space(page).getByRole("list", { name: "What is seen" }),
  ).toContainText(/Table 1, \d\.\d m/);
  // A picture of a typed size, kept with its revision.
  await space(page).getByLabel("Wide").fill("320");
  await space(page).getByLabel("Wide").press("Tab");
  await space(page).getByLabel("High").fill("200");
  await space(page).getByLabel("High").press("Tab");
  await space(page).getByRole("button", { name: "Take a picture" }).click();
  await expect(space(page).getByText("The register keeps it")).toBeVisible({
    timeout: 30_000,
  });
  const href = await space(page)
    .getByRole("link", { name: "The picture" })
    .getAttribute("href");
  const png = await (
    await page.request.get(`${process.env.WELLSEDES_URL}${href}`)
  ).body();
  expect(png.readUInt32BE(16)).toBe(320);
  expect(png.readUInt32BE(20)).toBe(200);
  // On the sheet: read back as SVG.
  await page.getByRole("button", { name: /Issue/ }).first().click();
  await page.getByLabel("Above", { exact: true }).check();
  await planner.saved();
  const link = await page
    .getByRole("link", { name: "SVG" })
    .getAttribute("href");
  await expect
    .poll(
      async () =>
        (
          await (
            await page.request.get(`${process.env.WELLSEDES_URL}${link}`)
          ).text()
        ).split("<image").length,
      { timeout: 20_000 },
    )
    .toBe(2);
  await expect(
    page.getByRole("list", { name: "Pictures taken" }),
  ).toContainText("320 × 200");
});

test("what was looked at is looked at again, soft light comes at rest, and a lost picture is drawn anew", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await tableIn(planner, page, "Looked at again");
  await openSpace(page);
  await space(page).getByRole("button", { name: "Seated" }).click();
  await canvas(page).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowRight");
  await frames(page, 24);
  const box = (await canvas(page).boundingBox())!;
  const shot = () =>
    page.screenshot({
      clip: {
        x: box.x + 20,
        y: box.y + 80,
        width: box.width - 40,
        height: box.height - 160,
      },
    });
  const again = async () => {
    await page.reload();
    await tableOne(page).waitFor({ state: "attached" });
    await openSpace(page);
    await expect(
      space(page).getByRole("button", { name: "Seated" }),
    ).toHaveAttribute("aria-pressed", "true");
    await frames(page, 24);
  };
  // It is remembered to the mm and the hundredth of a degree: from then on to the pixel.
  await again();
  const first = await shot();
  await again();
  await expect.poll(async () => first.equals(await shot())).toBe(true);
  // The picture with sun and soft light comes over it, and goes when one looks elsewhere.
  await space(page).getByRole("button", { name: "Show", exact: true }).click();
  await space(page).getByLabel("Sun").check();
  await expect(canvas(page)).toHaveAttribute("data-fine", "true", {
    timeout: 20_000,
  });
  expect(first.equals(await shot())).toBe(false);
  // What is shown, and by which light, is remembered with the look.
  await space(page).getByLabel("People on all seats").check();
  await again();
  await space(page).getByRole("button", { name: "Show", exact: true }).click();
  for (const kept of ["Sun", "People on all seats"])
    await expect(space(page).getByLabel(kept)).toBeChecked();
  await expect(canvas(page)).toHaveAttribute("data-fine", "true", {
    timeout: 20_000,
  });
  await canvas(page).focus();
  await page.keyboard.press("ArrowLeft");
  await expect(canvas(page)).toHaveAttribute("data-fine", "false");
  await space(page).getByLabel("Soft light at rest").uncheck();
  await space(page).getByLabel("People on all seats").uncheck();
  await page.keyboard.press("Tab");
  await canvas(page).focus();
  await page.keyboard.press("ArrowRight");
  await space(page).getByRole("button", { name: "Show", exact: true }).click();
  await expect.poll(async () => first.equals(await shot())).toBe(true);
  // The browser takes the picture away, as it may at any time: it says so, and all is drawn anew.
  await canvas(page).evaluate((one: HTMLCanvasElement) => {
    const lost = (
      one.getContext("webgl2") as WebGL2RenderingContext
    ).getExtension("WEBGL_lose_context")!;
    lost.loseContext();
    setTimeout(() => lost.restoreContext(), 400);
  });
  await expect(space(page).getByRole("alert")).toContainText("drawn anew");
  await expect(space(page).getByRole("alert")).toBeHidden();
  await expect
    .poll(async () => first.equals(await shot()), { timeout: 10_000 })
    .toBe(true);
});
