import { readFile } from "node:fs/promises";
import AxeBuilder from "../../web/node_modules/@axe-core/playwright/dist/index.js";
import { jobIn } from "./furnish";
import { expect, test, type Page } from "./page";
import { served, sheetText } from "./sheet";

const findings = (page: Page) => page.getByRole("list", { name: "Findings" });
const ways = (page: Page) =>
  page.getByRole("list", { name: "Ways out" }).getByRole("listitem");
const limits = (page: Page) =>
  page.getByRole("list", { name: "Limits" }).getByRole("listitem");

test("a way out is shut by a press, everything follows, and the sheet and the report say so", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await planner.signIn();
  await planner.openDemo();
  await planner.stage("Prove");
  // 234 by area, the wider door discounted: the other holds 110.
  await expect(limits(page).nth(0)).toContainText("96");
  await expect(limits(page).nth(1)).toContainText("110");
  await expect(ways(page).filter({ hasText: "Main entrance" })).toContainText(
    "of 360",
  );
  // At its place on the plan, as well as in the list.
  await page
    .getByTestId("plan")
    .getByRole("button", { name: /^On the plan: shut Exit, .* of 110$/ })
    .click();
  await expect(
    page.getByRole("button", { name: /^Open Exit/ }),
  ).toHaveAttribute("aria-pressed", "true");
  await expect(
    page.getByRole("button", { name: /^On the plan: open Exit, .*, shut$/ }),
  ).toHaveAttribute("aria-pressed", "true");
  await expect(ways(page).filter({ hasText: "Main entrance" })).toContainText(
    "234 of 360",
  );
  await expect(limits(page).nth(1)).toContainText("60");
  await expect(findings(page)).toContainText("too few ways out");
  await expect(planner.tally).toContainText("of 60, 36 over");
  await planner.saved();
  const { figures } = await served(page);
  const shut = figures.exits.find((one: { shut: boolean }) => one.shut);
  expect(shut).toMatchObject({ name: "Exit, Millrace Hall to outside" });
  // What leaves the house says the same.
  expect(await sheetText(page)).toContain("Shut: Exit, Millrace Hall to");
  const id = page.url().split("/").at(-1)!;
  const report = await (
    await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${id}/report.json?schemeId=scheme-a`,
    )
  ).json();
  expect(
    report.tables.exits.map(
      (row: Record<string, string>) => row["Leave by it"],
    ),
  ).toEqual(["234", "shut"]);
  await planner.stage("Prove");
  await page.getByRole("button", { name: /^Open Exit/ }).click();
  await expect(limits(page).nth(1)).toContainText("110");
  expect(
    (await new AxeBuilder({ page }).include("aside").analyze()).violations.map(
      (one) => one.id,
    ),
  ).toEqual([]);
  await planner.saved();
});

test("findings are put together, walked by keys, and told as new and cleared since a revision", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await planner.signIn();
  await planner.openDemo();
  await planner.choose("Scheme", "Members' meeting");
  await planner.stage("Issue");
  await page.getByLabel("Issued for").fill("The fire officer");
  await page.getByRole("button", { name: /^Issue revision/ }).click();
  await expect(page.getByText("The fire officer")).toBeVisible();
  await planner.stage("Prove");
  const since = page.getByLabel("Since the last revision", { exact: true });
  await expect(since).toContainText("0 new, 0 cleared");
  await planner.choose("Put together by", "By room");
  await expect(
    findings(page).getByRole("heading", { name: "Millrace Hall" }),
  ).toBeVisible();
  await page.getByTestId("tally").click({ position: { x: 5, y: 5 } });
  await page.keyboard.press("]");
  const panel = page.getByRole("region", { name: "Finding" });
  await expect(panel).toBeVisible();
  const first = await panel.textContent();
  for (let i = 0; i < 2; i++) {
    await page.keyboard.press("]");
    if (i === 0) await expect(panel).not.toHaveText(first!);
  }
  // Of two, the second on from the first is the first again.
  await expect(panel).toHaveText(first!);
  await page.keyboard.press("[");
  await page.getByRole("button", { name: "What it can hold" }).click();
  // Another way out shut: one finding comes; opened again it is gone.
  await page.getByRole("button", { name: /^Shut Exit/ }).click();
  await expect(since).toContainText("1 new, 1 cleared");
  await page.getByRole("button", { name: "1 cleared" }).click();
  await expect(
    page.getByRole("list", { name: "Cleared since the last revision" }),
  ).toContainText("once the widest is discounted");
  await page.getByRole("button", { name: /^Open Exit/ }).click();
  await expect(since).toContainText("0 new, 0 cleared");
});

test("a rule of the house is written, goes out as a file and comes in again", async ({
  planner,
  page,
}, info) => {
  test.setTimeout(90_000);
  await jobIn(planner, "House rules", "9000", "6000");
  await planner.stage("Prove");
  await page.getByRole("button", { name: "Rulebooks" }).click();
  await page.getByRole("button", { name: "Write a rule" }).click();
  await page.getByLabel("What the rule says").fill("High rooms");
  await planner.choose("What it measures", "A room by its size");
  await planner.choose("Which figure", "clear height");
  const limit = page.getByLabel("Limit");
  await limit.fill("5 m");
  await limit.press("Enter");
  await page.getByRole("button", { name: "Write it" }).click();
  await expect(page.getByRole("list", { name: "Own rulebooks" })).toContainText(
    "High rooms",
  );
  const coming = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export House rules" }).click();
  const file = info.outputPath("house.rulebook.json");
  await (await coming).saveAs(file);
  expect(JSON.parse(await readFile(file, "utf8"))).toMatchObject({
    id: "house",
    rules: [{ title: "High rooms", values: { limit: 5000 } }],
  });
  await page.getByRole("button", { name: "Close", exact: true }).click();
  await expect(findings(page)).toContainText("high rooms is not kept");
  await page.getByRole("button", { name: "Rulebooks" }).click();
  // The books of another plan of the project come over with a press.
  await planner.choose("Take the books of another plan", "Reed Workshop");
  await expect(
    page.getByLabel("International model code", { exact: true }),
  ).toBeChecked();
  await expect(
    page.getByLabel("American accessibility standards", { exact: true }),
  ).toBeChecked();
  await page.getByRole("button", { name: "Remove House rules" }).click();
  await expect(page.getByRole("list", { name: "Own rulebooks" })).toBeEmpty();
  await page.getByLabel("Bring a rulebook file").setInputFiles(file);
  await expect(page.getByRole("list", { name: "Own rulebooks" })).toContainText(
    "High rooms",
  );
  // A file that is none is answered with a word.
  await page.getByLabel("Bring a rulebook file").setInputFiles({
    name: "none.json",
    mimeType: "application/json",
    buffer: Buffer.from("{}"),
  });
  await expect(page.getByText("id, a name and rules")).toBeVisible();
  await page.getByRole("button", { name: "Take out High rooms" }).click();
  await expect(page.getByRole("list", { name: "Own rulebooks" })).toBeEmpty();
});

test("a project keeps books: a plan's are kept, another is held against them, a new one begins with them", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await planner.signIn();
  // A project of its own: other tests begin plans in the demo's.
  const made = async (url: string, data: object) =>
    (await (
      await page.request.post(`${process.env.WELLSEDES_URL}/api/${url}`, {
        data,
        headers: { "X-Wellsedes-Token": (await me()).token },
      })
    ).json()) as { id: string };
  const me = async () =>
    (await (
      await page.request.get(`${process.env.WELLSEDES_URL}/api/me`)
    ).json()) as { token: string };
  const { id } = await made("projects", { name: "Kept books" });
  const plans = `projects/${id}/plans`;
  const first = await made(plans, { title: "First", units: "Metric" });
  const second = await made(plans, { title: "Second", units: "Metric" });
  const project = page.getByRole("region", { name: "Books of the project" });
  const books = async (plan: string) => {
    await page.goto(`${process.env.WELLSEDES_URL}/#/plan/${plan}`);
    await planner.stage("Prove");
    await page.getByRole("button", { name: "Rulebooks" }).click();
  };
  await books(first.id);
  await expect(project).toContainText("keeps no books");
  await expect(
    project.getByRole("button", { name: "Keep this plan’s" }),
  ).toBeDisabled();
  await page.getByLabel("Workplaces, Germany").click();
  await page.getByLabel("Space standards for homes").click();
  await project.getByRole("button", { name: "Keep this plan’s" }).click();
  await expect(project).toContainText("keeps 2 books for its plans (N. Ash");
  await expect(project).toContainText("held against these");
  await books(second.id);
  await expect(project).toContainText("held against others");
  await project.getByRole("button", { name: "Take the project’s" }).click();
  await expect(project).toContainText("held against these");
  await expect(page.getByLabel("Workplaces, Germany")).toBeChecked();
  await page.getByLabel("Workplaces, Germany").click();
  await expect(project).toContainText("held against others");
  const third = await made(plans, { title: "Third", units: "FeetInches" });
  await books(third.id);
  await expect(project).toContainText("held against these");
  await expect(page.getByLabel("Workplaces, Germany")).toBeChecked();
});
