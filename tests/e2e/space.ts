import { jobIn, put } from "./furnish";
import { expect, type Page, type Planner } from "./page";

export const space = (page: Page) =>
  page.getByRole("region", { name: "In space" });
export const canvas = (page: Page) => space(page).locator("canvas");

/** Shows the scheme in space beside its plan. */
export async function openSpace(page: Page) {
  await page.getByRole("button", { name: "In space", exact: true }).click();
  await expect(canvas(page)).toHaveAttribute("data-ready", "true");
}

/** A room of 8 x 6 m with a round table in its middle, nothing selected. */
export async function tableIn(planner: Planner, page: Page, name: string) {
  const job = await jobIn(planner, name, "8000", "6000");
  await put(job, "round table 1525", /^Round table 1525/, 4000, 3000);
  await page.keyboard.press("Escape");
}

/** Its line in the list of items. */
export const tableOne = (page: Page) =>
  page.getByRole("option", { name: /Table 1/ }).first();

/** How many different tones a part of the picture shows: an empty one has one. */
export async function tones(page: Page) {
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
