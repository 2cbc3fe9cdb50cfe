import { expect, test } from "./page";

test("a plan is found, renamed and duplicated; members are changed and removed", async ({
  planner,
  page,
}) => {
  await planner.signIn();
  await planner.newPlan("Found again");
  await page.getByRole("button", { name: "Make the room" }).click();
  await expect(planner.tally).toContainText("24.0 m²");
  await planner.saved();
  await page.goto(process.env.WELLSEDES_URL! + "/#/");
  await page.getByLabel("Search plans").fill("found a");
  await expect(page.getByRole("link", { name: /Orchard supper/ })).toHaveCount(
    0,
  );
  await page.getByRole("button", { name: "Rename Found again" }).click();
  await page.getByLabel("New title of Found again").fill("Never");
  await page.getByLabel("New title of Found again").press("Escape");
  await expect(page.getByRole("link", { name: /Found again/ })).toBeVisible();
  await page.getByRole("button", { name: "Rename Found again" }).click();
  await page.getByLabel("New title of Found again").fill("Found for good");
  await page.getByLabel("New title of Found again").press("Enter");
  await page.getByLabel("Search plans").fill("for good");
  await page.getByRole("button", { name: "Duplicate Found for good" }).click();
  await page.getByRole("link", { name: "Found for good (copy)" }).click();
  await expect(planner.tally).toContainText("24.0 m²");
  await page.goto(process.env.WELLSEDES_URL! + "/#/");

  // A project of one's own, so that nobody else's is changed.
  await page.getByLabel("Name of a new project").fill("Members");
  await page.getByRole("button", { name: "New project" }).click();
  const project = page.locator("section", {
    has: page.getByRole("heading", { name: "Members", exact: true }),
  });
  await project.getByText("Members", { exact: true }).last().click();
  await project
    .getByLabel("E-mail of a member")
    .fill("r.sallow@tidemill.example");
  await project.getByRole("button", { name: "Add member" }).click();
  await expect(project.getByText("R. Sallow (editor)")).toBeVisible();
  await project.getByLabel("Role of R. Sallow").click();
  await page
    .locator("[data-select-content]")
    .getByRole("option", { name: "viewer" })
    .click();
  await expect(project.getByText("R. Sallow (viewer)")).toBeVisible();
  await project.getByRole("button", { name: "Remove R. Sallow" }).click();
  await expect(project.getByText("R. Sallow")).toHaveCount(0);
  // The last owner stays.
  await project.getByRole("button", { name: "Remove N. Ash" }).click();
  await expect(
    page.getByText("A project keeps at least one owner."),
  ).toBeVisible();
  await project.getByRole("button", { name: "Delete project" }).click();
  await page.getByRole("button", { name: "Delete", exact: true }).click();
  await expect(project).toHaveCount(0);
});

test("a plan is known by its picture, put in the archive and taken out; a demo is put back as it was", async ({
  planner,
  page,
}) => {
  await planner.signIn();
  // Pictures are fetched when they come into view.
  const picture = page
    .getByRole("link", { name: /Orchard supper/ })
    .last()
    .locator("img");
  await picture.scrollIntoViewIfNeeded();
  await expect
    .poll(() =>
      picture.evaluate((img) => (img as HTMLImageElement).naturalWidth),
    )
    .toBe(320);
  await planner.newPlan("Put away");
  await page.goto(process.env.WELLSEDES_URL! + "/#/");
  await page.getByRole("button", { name: "Archive Put away" }).click();
  await expect(page.getByRole("link", { name: /Put away/ })).toBeHidden();
  await page.getByText(/^Archived \(/).click();
  await page
    .getByRole("button", { name: "Take out of the archive: Put away" })
    .click();
  await expect(page.getByRole("link", { name: /Put away/ })).toBeVisible();

  // What is put back is made anew, and what was made of it is kept.
  await page
    .getByRole("button", { name: "Rename Tidemill House, three levels" })
    .click();
  await page
    .getByLabel("New title of Tidemill House, three levels")
    .fill("The house, changed");
  await page
    .getByLabel("New title of Tidemill House, three levels")
    .press("Enter");
  await page
    .getByRole("button", { name: "Put The house, changed back as it was" })
    .click();
  await page.getByRole("button", { name: "Put back", exact: true }).click();
  await expect(
    page.getByRole("link", { name: /Tidemill House, three levels/ }),
  ).toBeVisible();
  await expect(
    page.getByText("Deleted, kept for 30 days").first(),
  ).toContainText("The house, changed");
});
