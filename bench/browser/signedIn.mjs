// What every measurement in the browser begins with.
import { createRequire } from "node:module";
import { join } from "node:path";

export const root = join(import.meta.dirname, "..", "..");
export const { chromium } = createRequire(join(root, "web/package.json"))("@playwright/test");

/** Fills in who it is on the page for that. */
export async function signIn(page, url) {
  await page.goto(url);
  await page.getByLabel("E-mail address").fill("n.ash@tidemill.example");
  await page.getByLabel("Password").fill("orchard-supper");
  await page.getByRole("button", { name: "Sign in" }).click();
}

/** A page of 1280 x 800 where somebody is signed in, its browser begun with switches. */
export async function signedIn(url, switches = ["--disable-gpu"]) {
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", ...switches] });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await signIn(page, url);
  return { browser, context, page };
}

/** Opens a plan file as a plan of its own. */
export async function openFile(page, file) {
  await page.getByText("Tidemill House").first().waitFor();
  await page.locator("input[type=file]").first().setInputFiles(file);
  await page.getByTestId("plan").waitFor({ timeout: 60_000 });
}
