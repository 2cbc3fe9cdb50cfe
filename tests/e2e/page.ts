import {
  test as base,
  expect,
  type Page,
} from "../../web/node_modules/@playwright/test/index.js";

import { serveWorker } from "./serve";

export { expect };
export type { Page };

/** The cookies of who has signed in to this worker's server, by e-mail address. */
const signedIn = new Map<
  string,
  Parameters<ReturnType<Page["context"]>["addCookies"]>[0]
>();

/** So many frames of the page's own: in them it does what a hand has just set off. */
export const frames = (page: Page, count = 4) =>
  page.evaluate(
    (left) =>
      new Promise<void>((resolve) => {
        const next = () =>
          left-- > 0 ? requestAnimationFrame(next) : resolve();
        next();
      }),
    count,
  );

/** A person at the screen: signed in, able to open the demo or a plan of their own. */
export class Planner {
  /** Statuses that answers may have here without that being a fault. */
  readonly expected: number[] = [422];

  constructor(readonly page: Page) {}

  /** What this person has open, in a window of somebody else's (or of their own elsewhere); close its context at the end. */
  async elsewhere(
    email = "n.ash@tidemill.example",
    prepare = async (_: Page) => {},
  ) {
    const window = await (
      await this.page.context().browser()!.newContext()
    ).newPage();
    await new Planner(window).signIn(email);
    await prepare(window);
    await window.goto(this.page.url());
    await window.getByTestId("plan").waitFor();
    return window;
  }

  /** Signed in; by the cookie of an earlier test, as long as that is worth something. */
  async signIn(email = "n.ash@tidemill.example") {
    const context = this.page.context();
    const projects = this.page.getByRole("heading", { name: "Projects" });
    const entry = this.page.getByLabel("E-mail address");
    await context.addCookies(signedIn.get(email) ?? []);
    await this.page.goto(process.env.WELLSEDES_URL!);
    await expect(projects.or(entry)).toBeVisible();
    if (await entry.isVisible()) {
      await entry.fill(email);
      await this.page.getByLabel("Password").fill("orchard-supper");
      await this.page.getByRole("button", { name: "Sign in" }).click();
      await expect(projects).toBeVisible();
    }
    signedIn.set(email, await context.cookies());
  }

  async openDemo() {
    await this.page
      .getByRole("link", { name: /Orchard supper/ })
      .last()
      .click();
    await this.opened();
  }

  async newPlan(title: string, units = "Metric") {
    // In the project of the demo, whatever other projects somebody has.
    const project = this.page.locator("section", {
      has: this.page.getByRole("heading", { name: "Tidemill House" }),
    });
    await project.getByLabel("Title of a new plan").fill(title);
    await project.getByLabel("Units", { exact: true }).click();
    const list = this.page.locator("[data-select-content]");
    await list.locator(`[role=option][data-value="${units}"]`).click();
    await expect(list).toHaveCount(0);
    await project.getByRole("button", { name: "New plan" }).click();
    await this.opened();
  }

  private async opened() {
    await expect(this.plan).toBeVisible();
    await expect(this.tally).toContainText("Seats");
  }

  get plan() {
    return this.page.getByTestId("plan");
  }
  get tally() {
    return this.page.getByTestId("tally");
  }
  item(name: RegExp | string) {
    return this.page.getByRole("option", { name });
  }
  async stage(name: "Shell" | "Furnish" | "Prove" | "Issue") {
    await this.page
      .getByRole("navigation", { name: "Stages" })
      .getByRole("button", { name })
      .click();
  }
  /** One of the parts of the Shell panel. */
  async part(
    name: "Rooms" | "Walls" | "Openings" | "Fixed" | "Trace" | "Set out",
  ) {
    await this.page.getByRole("tab", { name, exact: true }).click();
  }
  /** Chooses from a list, by what is written or by its value. */
  async choose(
    label: string,
    option: string,
    within: Page | ReturnType<Page["locator"]> = this.page,
  ) {
    await within.getByLabel(label, { exact: true }).first().click();
    const list = this.page.locator("[data-select-content]");
    await list
      .getByRole("option", { name: option, exact: true })
      .or(
        list.locator(
          `[role=option][data-value="${option.replaceAll('"', '\\"')}"]`,
        ),
      )
      .first()
      .click();
    await expect(list).toHaveCount(0);
  }
  async saved() {
    await expect(this.page.getByTestId("saving")).toHaveText(
      "All changes saved",
    );
  }
  async type(label: string, text: string) {
    const field = this.page.getByLabel(label, { exact: true });
    await field.fill(text);
    await field.press("Enter");
  }
  async middle(name: RegExp | string) {
    const box = (await this.item(name).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  }
  /** Where a place on the level (mm) is on the page. */
  async at(x: number, y: number) {
    return this.page.evaluate(
      ([mx, my]) => {
        const host = document.querySelector(
          "[data-testid=plan]",
        ) as HTMLElement & {
          planView(): { toScreen(p: object): { x: number; y: number } };
        };
        const p = host.planView().toScreen({ x: mx, y: my });
        const box = host.getBoundingClientRect();
        return { x: p.x + box.left, y: p.y + box.top };
      },
      [x, y] as const,
    );
  }
}

export const test = base.extend<{ planner: Planner }, { server: void }>({
  server: [
    async ({}, use, worker) => {
      const { url, stop } = await serveWorker(worker.workerIndex);
      process.env.WELLSEDES_URL = url;
      await use();
      stop();
    },
    { scope: "worker", auto: true },
  ],
  planner: async ({ page }, use) => {
    const faults: string[] = [];
    page.on("pageerror", (error) => faults.push(error.message));
    page.on("console", (message) => {
      if (
        message.type() === "error" &&
        /Content Security Policy/i.test(message.text())
      )
        faults.push(message.text());
    });
    const planner = new Planner(page);
    page.on("response", (answer) => {
      if (answer.status() >= 400 && !planner.expected.includes(answer.status()))
        faults.push(
          `${answer.status()} ${answer.request().method()} ${answer.url()} ${answer.request().postData()?.slice(0, 300)}`,
        );
    });
    await use(planner);
    expect(faults).toEqual([]);
  },
});
