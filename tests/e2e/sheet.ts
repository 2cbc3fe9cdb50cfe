import { execFileSync } from "node:child_process";
import type { Page } from "./page";

/** The text of the first sheet of the plan that is open, read back from its PDF. */
export async function sheetText(page: Page): Promise<string> {
  const plan = page.url().split("/").at(-1)!;
  const url = `${process.env.WELLSEDES_URL}/api/plans/${plan}`;
  const { entities } = await (await page.request.get(url)).json();
  const sheet = entities.find((e: { type: string }) => e.type === "sheet");
  const pdf = await (
    await page.request.get(`${url}/sheets/${sheet.id}/draft.pdf`)
  ).body();
  // A no-break space groups thousands.
  return execFileSync("pdftotext", ["-layout", "-", "-"], { input: pdf })
    .toString()
    .replaceAll("\u00a0", " ");
}
