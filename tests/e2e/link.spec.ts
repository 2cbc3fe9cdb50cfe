import { expect, test } from "./page";

test("a link that cannot be made says so, is tried again, and brings what was missed", async ({
  planner,
  page,
}) => {
  let refuse = true;
  await page.route("**/live/negotiate**", (route) =>
    refuse ? route.abort() : route.continue(),
  );
  await planner.signIn();
  await planner.newPlan("Far away");
  await expect(page.getByText("No link")).toBeVisible();
  // Meanwhile somebody else works on it.
  const second = await planner.elsewhere();
  await second
    .getByRole("navigation", { name: "Stages" })
    .getByRole("button", { name: "Shell" })
    .click();
  await second.getByRole("button", { name: "Make the room" }).click();
  await expect(second.getByTestId("tally")).toContainText("24.0 m²");
  await expect(planner.tally).not.toContainText("24.0 m²");
  refuse = false;
  await expect(page.getByText("No link")).toHaveCount(0, { timeout: 15_000 });
  await expect(planner.tally).toContainText("24.0 m²");
  // And from here on it hears of everything.
  await second.getByTestId("plan").focus();
  await second.keyboard.press("Control+z");
  await expect(planner.tally).not.toContainText("24.0 m²");
  await second.context().close();
});

test("a link that breaks while one works is made again, and a drag shows its distances", async ({
  planner,
  page,
}) => {
  const links: { close(): Promise<void> }[] = [];
  let answers = 0;
  await page.routeWebSocket(/\/live/, (link) => {
    const server = link.connectToServer();
    // A link closed before it is open is another matter: SignalR then takes another way than a WebSocket.
    server.onMessage((message) => {
      if (String(message).includes('"type":3')) answers++;
      link.send(message);
    });
    links.push(link);
  });
  await planner.signIn();
  await planner.openDemo();
  await expect.poll(() => links.length).toBe(1);
  await expect.poll(() => answers).toBeGreaterThan(0);
  await links[0]!.close();
  await expect.poll(() => links.length, { timeout: 15_000 }).toBe(2);
  await expect(page.getByText("No link")).toHaveCount(0, { timeout: 15_000 });
  const from = await planner.middle("Table 4, 8 seats");
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y + 30, { steps: 3 });
  await expect(page.getByTitle(/To Table \d+\./).first()).toBeVisible();
  await page.mouse.move(from.x, from.y);
  await page.mouse.up();
});

test("the built files come compressed and are kept by the browser, answers are not", async ({
  page,
}) => {
  const home = await page.request.get(process.env.WELLSEDES_URL!);
  expect(home.headers()["cache-control"]).toBe("no-cache");
  expect(home.headers()["content-encoding"]).toMatch(/br|gzip/);
  const script = /src="(\/assets\/[^"]+\.js)"/.exec(await home.text())![1];
  const file = await page.request.get(process.env.WELLSEDES_URL! + script);
  expect(file.headers()["content-encoding"]).toMatch(/br|gzip/);
  expect(file.headers()["cache-control"]).toContain("immutable");
  expect((await file.body()).length).toBeGreaterThan(100_000);
  const api = await page.request.get(`${process.env.WELLSEDES_URL}/api/me`);
  expect(api.headers()["content-encoding"]).toBeUndefined();
  expect(api.headers()["cache-control"]).toContain("no-store");
});
