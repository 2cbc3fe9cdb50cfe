import { expect, test, type Page } from "./page";

// Two windows, delays and losses on a machine that may be busy: once more before it counts as failed.
test.describe.configure({ retries: 1 });

/** So long links are dropped and delayed; two minutes in the benchmarks. */
const seconds = Number(process.env.WELLSEDES_WEATHER_SECONDS ?? 12);

/** Figures that look random and are the same each time. */
function dice(seed: number) {
  return (below: number) => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return Math.floor((seed / 2 ** 32) * below);
  };
}

/** Drops and delays what goes between a page and the server until it clears up. */
async function weather(page: Page, roll: (below: number) => number) {
  const state = { bad: true, dropped: 0, late: 0 };
  const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
  await page.routeWebSocket(/\/live/, (link) => {
    const server = link.connectToServer();
    const pass = (send: () => void) => {
      if (state.bad && roll(40) === 0) {
        state.dropped++;
        void link.close();
        void server.close();
      } else if (state.bad && roll(3) === 0) {
        // Later than what comes after it, too.
        state.late++;
        setTimeout(send, roll(400));
      } else send();
    };
    link.onMessage((message) => pass(() => server.send(message)));
    server.onMessage((message) => pass(() => link.send(message)));
  });
  await page.route(
    /\/api\/plans\/.*(edits|undo|redo|changes|near)/,
    async (route) => {
      if (!state.bad) return route.continue();
      await wait(roll(300));
      const fate = roll(8);
      if (fate === 0) {
        state.dropped++;
        return route.abort();
      }
      // The server has done it, and nobody hears of it.
      if (fate === 1) {
        state.dropped++;
        await route.fetch().catch(() => {});
        return route.abort();
      }
      return route.continue();
    },
  );
  return state;
}

const entitiesOf = (page: Page) =>
  page.evaluate(() =>
    (
      document.querySelector("[data-testid=plan]") as unknown as {
        entities(): { id: string }[];
      }
    )
      .entities()
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  );

test(`two editors in bad weather for ${seconds} s both end with what the server has`, async ({
  planner,
  page,
}) => {
  test.setTimeout((seconds + 90) * 1000);
  planner.expected.push(409, 410);
  const roll = dice(20261125);
  await planner.signIn();
  await planner.newPlan("Bad weather");
  await planner.stage("Shell");
  await page.getByRole("button", { name: "Make the room" }).click();
  await expect(planner.tally).toContainText("24.0 m²");
  await planner.stage("Furnish");
  await page.getByLabel("Search the catalogue").fill("upholstered");
  await page
    .getByRole("button", { name: /Upholstered stool/ })
    .first()
    .click();
  await page.keyboard.down("Shift");
  for (const [x, y] of [
    [1500, 1000],
    [3000, 1000],
    [4500, 1000],
    [3000, 3000],
  ] as const) {
    const at = await planner.at(x, y);
    await page.mouse.click(at.x, at.y);
  }
  await page.keyboard.up("Shift");
  await page.keyboard.press("Escape");
  await planner.saved();
  const skies = [await weather(page, roll)];
  const second = await planner.elsewhere(
    "m.teasel@tidemill.example",
    async (window) => void skies.push(await weather(window, roll)),
  );
  const keys = [
    "ArrowLeft",
    "ArrowRight",
    "Shift+ArrowUp",
    "Shift+ArrowDown",
    ".",
    "d",
    "Delete",
    "Control+z",
    "Control+y",
  ];
  const until = Date.now() + seconds * 1000;
  while (Date.now() < until) {
    const window = roll(2) ? page : second;
    const items = await window.getByRole("option").all();
    if (items.length && roll(3)) {
      const box = await items[roll(items.length)]!.boundingBox().catch(
        () => null,
      );
      if (box) {
        const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
        await window.mouse.move(x, y);
        await window.mouse.down();
        if (roll(2))
          await window.mouse.move(x + roll(80) - 40, y + roll(80) - 40, {
            steps: 3,
          });
        await window.mouse.up();
      }
    }
    for (let i = roll(4); i >= 0; i--)
      await window.keyboard.press(keys[roll(keys.length)]!);
  }
  for (const sky of skies) sky.bad = false;
  for (const window of [page, second])
    await expect(window.getByTestId("saving")).toHaveText("All changes saved", {
      timeout: 60_000,
    });
  const plan = page.url().split("/").at(-1)!;
  const file = (await (
    await page.request.get(
      `${process.env.WELLSEDES_URL}/api/plans/${plan}/file`,
    )
  ).json()) as { entities: { id: string }[] };
  // As the server opens it, so that both are written in the same way.
  const opened = (await (
    await page.request.get(`${process.env.WELLSEDES_URL}/api/plans/${plan}`)
  ).json()) as { revision: number; entities: { id: string }[] };
  expect(opened.entities.length).toBe(file.entities.length);
  const known = opened.entities.sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const window of [page, second])
    await expect
      .poll(() => entitiesOf(window), { timeout: 20_000 })
      .toEqual(known);
  console.log(
    `${opened.revision} changes in ${seconds} s, ${skies[0]!.dropped + skies[1]!.dropped} dropped, ${skies[0]!.late + skies[1]!.late} late`,
  );
  expect(opened.revision).toBeGreaterThan(10);
  expect(skies[0]!.dropped + skies[1]!.dropped).toBeGreaterThan(3);
  await second.context().close();
});
