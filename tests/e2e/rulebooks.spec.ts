import AxeBuilder from "../../web/node_modules/@axe-core/playwright/dist/index.js";
import { jobIn } from "./furnish";
import { expect, test, type Page } from "./page";
import { served, sheetText } from "./sheet";

type Figures = {
  findings: {
    id: string;
    ruleId: string;
    title: string;
    weight: string;
    measuredText: string;
    neededText: string;
  }[];
  loads: { name: string; people: number; working: string; unjudged: string }[];
};
const figures = async (page: Page) =>
  (await served(page)).figures as Promise<Figures>;
const findings = (page: Page) => page.getByRole("list", { name: "Findings" });
const shut = (page: Page) =>
  page.getByRole("button", { name: "Close", exact: true }).click();

test("a plan is held against a rulebook: its room is given a use, counted, found wanting, and a rule taken otherwise", async ({
  planner,
  page,
}) => {
  test.setTimeout(90_000);
  await jobIn(planner, "By the book", "20000", "10000");
  await planner.stage("Prove");
  await page.getByRole("button", { name: "Rulebooks" }).click();
  await page.getByLabel("International model code", { exact: true }).check();
  await planner.saved();
  // A rule is tried with figures of one's own; a wrong one is answered with a word.
  await page.getByLabel("Search its rules").fill("benches pews");
  await page
    .getByRole("button", { name: /Fixed seating without dividing arms/ })
    .click();
  const card = page.getByRole("article", { name: "Rule" });
  await card.getByRole("textbox", { name: "bench_length_ft" }).fill("long");
  await card.getByRole("button", { name: "Work it out" }).click();
  await expect(card.getByRole("alert")).toContainText("persons");
  await card.getByRole("textbox", { name: "bench_length_ft" }).fill("15");
  await card.getByRole("button", { name: "Work it out" }).click();
  await expect(card.getByLabel("Answers")).toContainText("10");
  await shut(page);
  // Nobody has said what the room is for: asked in place, answered in place.
  await expect(findings(page)).toContainText("No use given for");
  await page.getByRole("button", { name: "People" }).click();
  await page.getByLabel(/^Use of/).click();
  await page.getByRole("option", { name: "Assembly", exact: true }).click();
  // 200 m² are 2152.8 ft²: 143.5, so 144.
  await expect(page.getByLabel("All by International model code")).toHaveText(
    "144",
  );
  await expect(
    page.getByRole("table", { name: "People by room" }),
  ).toContainText("2152.8 ft² net / 15 = 143.5, so 144");
  expect(
    (
      await new AxeBuilder({ page }).include('[role="dialog"]').analyze()
    ).violations.map((one) => one.id),
  ).toEqual([]);
  await shut(page);
  await planner.saved();
  const few = (await figures(page)).findings.find(
    (one) => one.ruleId === "ibc-1006.2.1-A-E-M",
  )!;
  expect(few).toMatchObject({ weight: "Must", neededText: "2" });
  expect((await figures(page)).loads[0]).toMatchObject({
    people: 144,
    unjudged: "",
  });
  await findings(page)
    .getByRole("button", { name: /too few ways out/ })
    .click();
  const panel = page.getByRole("region", { name: "Finding" });
  await expect(panel).toContainText("From memory");
  // Taken otherwise with a reason it is no finding any more; undone it is one again.
  await page.getByRole("button", { name: "Rulebooks" }).click();
  await page.getByLabel("Search its rules").fill("1006.2.1-A-E-M");
  await page.getByRole("button", { name: /Assembly, Educational/ }).click();
  await expect(card.getByRole("button", { name: "Take it so" })).toBeDisabled();
  await card.getByLabel("Reason").fill("Agreed with the fire officer");
  await card.getByRole("button", { name: "Take it so" }).click();
  await expect(card).toContainText("Off: Agreed with the fire officer");
  await planner.saved();
  await shut(page);
  await expect(findings(page)).not.toContainText("too few ways out");
  await page.keyboard.press("Control+z");
  await expect(findings(page)).toContainText("too few ways out");
  // In another window the same is said.
  const other = await planner.elsewhere();
  await other
    .getByRole("navigation", { name: "Stages" })
    .getByRole("button", { name: /Prove/ })
    .click();
  await expect(findings(other)).toContainText("too few ways out");
  await other.context().close();
  // Accepted as it is, by whom and when: nothing to mend, and printed on the sheet.
  await findings(page)
    .getByRole("button", { name: /too few ways out/ })
    .click();
  await panel.getByLabel("Why it is accepted").fill("One evening only");
  await panel.getByRole("button", { name: "Accept", exact: true }).click();
  await expect(panel).toContainText("N. Ash");
  await planner.saved();
  const accepted = (await figures(page)).findings.find(
    (one) => one.id === few.id,
  )!;
  expect(accepted).toMatchObject({
    accepted: { reason: "One evening only", by: "N. Ash" },
  });
  expect((await sheetText(page)).replace(/\s+/g, " ")).toMatch(
    /Accepted: Room: too few ways out.*One evening only/,
  );
  await panel.getByRole("button", { name: "To be mended again" }).click();
  await expect(
    panel.getByRole("button", { name: "Accept", exact: true }),
  ).toBeDisabled();
});
