import { execFileSync } from "node:child_process";
import type { Page } from "./page";

const urlOf = (page: Page) =>
  `${process.env.WELLSEDES_URL}/api/plans/${page.url().split("/").at(-1)!}`;

/** The plan that is open, as the server gives it. */
export async function served(page: Page) {
  return (await page.request.get(urlOf(page))).json();
}

/** The text of a sheet of the plan that is open (the first, or that of a level), read back from its PDF. */
export async function sheetText(page: Page, level = ""): Promise<string> {
  const url = urlOf(page);
  const { entities } = await served(page);
  const levelId = entities.find(
    (e: { type: string; name: string }) =>
      e.type === "level" && e.name === level,
  )?.id;
  const sheet = entities.find(
    (e: { type: string; levelId: string }) =>
      e.type === "sheet" && (!level || e.levelId === levelId),
  );
  return pdfText(page, `${url}/sheets/${sheet.id}/draft.pdf`);
}

/** The text of a PDF, laid out as it lies. */
export async function pdfText(page: Page, url: string): Promise<string> {
  const pdf = await (await page.request.get(url)).body();
  // A no-break space groups thousands.
  return execFileSync("pdftotext", ["-layout", "-", "-"], { input: pdf })
    .toString()
    .replaceAll("\u00a0", " ");
}

/** The first sheet of the plan that is open, as SVG. */
export async function sheetSvg(page: Page): Promise<string> {
  const { entities } = await served(page);
  const sheet = entities.find((e: { type: string }) => e.type === "sheet");
  return (
    await page.request.get(`${urlOf(page)}/sheets/${sheet.id}/draft.svg`)
  ).text();
}

/** The same, what stands apart on a line told apart by bars: "300 | 1 010 | 2 840". */
export const sheetRows = async (page: Page, level = "") =>
  (await sheetText(page, level))
    .split("\n")
    .map((line) => line.trim().replace(/ {2,}/g, " | "))
    .join("\n");

/** How often a figure stands on a sheet by itself. */
export const timesOn = (rows: string, figure: string) =>
  rows.split(/[|\n]/).filter((cell) => cell.trim() === figure).length;
