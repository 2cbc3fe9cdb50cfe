import { chromium } from "playwright";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--use-angle=swiftshader","--enable-unsafe-swiftshader","--no-sandbox"] });
export const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
export const done = () => browser.close();
await page.goto("http://localhost:5199/");
await page.getByLabel("E-mail address").fill("n.ash@tidemill.example");
await page.getByLabel("Password").fill("orchard-supper");
await page.getByRole("button", { name: "Sign in" }).click();
await page.getByRole("heading", { name: "Tidemill House", exact: true }).first().waitFor();
