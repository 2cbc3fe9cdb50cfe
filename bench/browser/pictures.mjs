// Takes pictures of views anew, 1280 x 800, from a demo that was just started: node bench/browser/pictures.mjs http://localhost:5199/ FOLDER [name …]
import { join } from "node:path";
import { signedIn } from "./signedIn.mjs";

const [url, folder, ...names] = process.argv.slice(2);
const { browser, page } = await signedIn(url, ["--enable-unsafe-swiftshader"]);
await page.getByText("Tidemill House").first().waitFor();
const press = (name) =>
  page.getByRole("button", { name, exact: true }).first().click();
const pick = async (label, option) => {
  await page.getByLabel(label, { exact: true }).click();
  await page.getByRole("option", { name: option }).first().click();
  await page.waitForTimeout(1200);
};
const middleOf = async (name) => {
  const box = await page.getByRole("option", { name }).first().boundingBox();
  return [box.x + box.width / 2, box.y + box.height / 2];
};
async function open(title) {
  await page.goto(url);
  await page.getByRole("link", { name: title }).last().click();
  await page.getByTestId("plan").waitFor();
  await page.waitForTimeout(2000);
}

const views = {
  async furnish() {
    await open(/Orchard supper/);
    await page.mouse.click(...(await middleOf(/^Table 4/)));
    await page.waitForTimeout(1200);
  },
  async dragging() {
    await open(/Orchard supper/);
    const [x, y] = await middleOf(/^Table 4/);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 62, y + 40, { steps: 12 });
    await page.waitForTimeout(1200);
    return async () => {
      await page.keyboard.press("Escape");
      await page.mouse.up();
    };
  },
  async seating() {
    await open(/Orchard supper/);
    await pick("Scheme", "Supper refilled");
    await page
      .getByRole("button", { name: /^Seating block/ })
      .filter({ hasText: "72 seats" })
      .click();
    await page.keyboard.press("Delete");
    await page.waitForTimeout(1200);
    await press("Seat people…");
    await page.getByLabel("Guests", { exact: true }).fill("72");
    await page.waitForTimeout(3000);
    await page
      .getByRole("list", { name: "Candidates" })
      .getByRole("button")
      .first()
      .hover();
    await page.waitForTimeout(800);
    return async () => {
      await press("Undo");
      await page.waitForTimeout(1500);
    };
  },
  async changes() {
    await open(/Orchard supper/);
    await pick("Scheme", "Members' meeting");
    await pick("Scheme", "Schemes…");
    await page.waitForTimeout(1000);
    await press("Draw it on the plan");
    await page.waitForTimeout(1200);
  },
  async "in-space"() {
    await open(/Orchard supper/);
    await press("In space");
    await page.locator("canvas[data-ready=true]").waitFor();
    await press("Alone");
    await press("Viewpoints");
    await page.waitForTimeout(3500);
  },
};

for (const [name, look] of Object.entries(views)) {
  if (names.length && !names.includes(name)) continue;
  const after = await look();
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await after?.();
  console.log(name);
}
await browser.close();
