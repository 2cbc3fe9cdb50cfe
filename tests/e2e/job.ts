import { expect, frames, type Page, type Planner } from "./page";

/** A whole job by hand and keys: counts what the hand does, a press, a drag or a typed figure being one action each. */
export class Job {
  actions = 0;

  constructor(
    readonly page: Page,
    readonly planner: Planner,
  ) {}

  async press(name: string | RegExp, exact = true) {
    this.actions++;
    await this.page.getByRole("button", { name, exact }).first().click();
  }
  async part(name: Parameters<Planner["part"]>[0]) {
    this.actions++;
    await this.planner.part(name);
  }
  async point(x: number, y: number) {
    const at = await this.planner.at(x, y);
    await this.page.mouse.move(at.x, at.y);
    await frames(this.page, 3);
  }
  async click(x: number, y: number) {
    this.actions++;
    await this.point(x, y);
    const at = await this.planner.at(x, y);
    await this.page.mouse.click(at.x, at.y);
    await frames(this.page, 4);
  }
  /** Types a figure into the labelled field and takes it with Enter. */
  async type(label: string, text: string) {
    this.actions++;
    const field = this.page.getByLabel(label, { exact: true }).first();
    await field.fill(text);
    await field.press("Enter");
    await this.planner.saved();
  }
  /** The same in the panel of what is selected, on the right. */
  async set(label: string, text: string) {
    this.actions++;
    const panel = this.page.locator("aside").last();
    const field = panel.getByLabel(label, { exact: true }).first();
    await field.fill(text);
    await field.press("Enter");
    await this.planner.saved();
  }
  async choose(label: string, option: string) {
    this.actions++;
    await this.planner.choose(label, option);
  }
  /** Chooses in the panel of what is selected, on the right. */
  async setChoice(label: string, option: string) {
    this.actions++;
    await this.planner.choose(label, option, this.page.locator("aside").last());
    await this.planner.saved();
  }
  /** A side of a chain: the direction pointed, the length typed (and an angle after Tab). */
  async side(x: number, y: number, length: string, angle?: string) {
    this.actions++;
    await this.point(x, y);
    const before = await this.walls();
    await this.page.keyboard.type(length);
    if (angle !== undefined) {
      this.actions++;
      await this.page.keyboard.press("Tab");
      await this.page.keyboard.type(angle);
    }
    await this.page.keyboard.press("Enter");
    await expect.poll(() => this.walls()).toBe(before + 1);
  }
  async key(key: string) {
    this.actions++;
    await this.page.keyboard.press(key);
  }
  /** How many corners the chain being drawn has, by what the drawing says. */
  private async walls() {
    return Number(
      await this.page.getByTestId("plan").getAttribute("data-sides"),
    );
  }
  done(name: string) {
    console.log(`${name}: ${this.actions} actions`);
  }
}
