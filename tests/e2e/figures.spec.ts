import { expect, test, type Page } from "./page";
import { served, sheetText } from "./sheet";

/** Numbers that are the same for a seed. */
function random(seed: number) {
  let state = seed * 2654435761;
  return (below: number) => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return Math.floor((state / 4294967296) * below);
  };
}

const plain = (text: string) => text.replaceAll("\u00a0", " ").trim();

/** Does an edit as the client does; says whether it was taken. */
async function edit(page: Page, what: object): Promise<boolean> {
  return page.evaluate(async (what) => {
    const plan = location.hash.split("/").at(-1)!;
    const { token } = await (await fetch("/api/me")).json();
    const { revision } = await (await fetch(`/api/plans/${plan}`)).json();
    const answer = await fetch(`/api/plans/${plan}/edits`, {
      method: "POST",
      headers: {
        "Content-Type": "application/json",
        "X-Wellsedes-Token": token,
      },
      body: JSON.stringify({ baseRevision: revision, edit: what }),
    });
    return answer.ok;
  }, what);
}

const kinds = [
  "round-table-1525",
  "desk-1400",
  "square-table-915",
  "banquet-chair",
  "bar-1800",
  "plant-600",
];

for (const units of ["Metric", "FeetInches"] as const)
  test(`five plans anyhow: rail, panels, sheet and server tell one story (${units})`, async ({
    planner,
    page,
  }) => {
    test.setTimeout(120_000);
    await planner.signIn();
    for (let seed = 1; seed <= 5; seed++) {
      const next = random(seed);
      await page.goto(`${process.env.WELLSEDES_URL!}/#/`);
      await planner.newPlan(`Anyhow ${units} ${seed}`, units);
      const { levelId, schemeId } = await served(page);
      const [width, depth] = [5000 + next(5000), 4000 + next(4000)];
      await edit(page, {
        do: "make-room",
        id: "r",
        levelId,
        name: "Hall",
        width,
        depth,
        wallThickness: 200,
        height: 2700,
        sure: true,
      });
      await edit(page, {
        do: "put-opening",
        opening: {
          id: "in",
          wallId: "r-south",
          kind: "SingleDoor",
          along: 900 + next(1500),
          width: 800 + next(300),
          clearWidth: 0,
          height: 2100,
          sill: 0,
          mark: "EntranceAndExit",
          hingeAtEnd: false,
          swingsRight: true,
          name: "",
        },
      });
      for (let i = 0; i < 5; i++)
        await edit(page, {
          do: "place-item",
          id: `i${i}`,
          schemeId,
          levelId,
          catalogue: kinds[next(kinds.length)],
          x: 600 + next(width - 1200),
          y: 600 + next(depth - 1200),
          rotation: 5 * next(72),
          catch: 0,
          setAside: false,
        });
      await expect.poll(async () => (await served(page)).items.length).toBe(5);
      const { figures, shells } = await served(page);
      const sheet = plain(await sheetText(page));

      // The rail, line by line.
      for (const { name, value, rest } of figures.tallyLines) {
        const line = planner.tally.locator("dl > div", { hasText: name });
        await expect(line).toContainText(
          new RegExp(
            `${value}\\s*${rest ?? ""}`.replace(/[.*+?^${}()|[\]]/g, (c) =>
              c === "\\" || c === "*" ? c : `\\${c}`,
            ),
          ),
        );
        expect(sheet).toContain(plain(rest ? `${value} ${rest}` : value));
      }
      // The rooms panel says the area to a hundredth, the sheet to its own rounding of the same.
      await planner.stage("Shell");
      const net = shells[0].rooms[0].netInternal as number;
      const told =
        units === "Metric"
          ? `${net.toFixed(2)} m²`
          : `${(net / 0.09290304).toFixed(2)} ft²`;
      await expect(page.locator("dl", { hasText: told }).first()).toBeVisible();
      // The findings: as many on the rail as in the list as the server has, with its words.
      await planner.stage("Prove");
      const must = figures.findings.filter(
        (f: { weight: string }) => f.weight === "Must",
      ).length;
      const advice = figures.findings.length - must;
      await expect(
        planner.tally.getByRole("button", {
          name: `${must} must fix, ${advice} advice; open Prove`,
        }),
      ).toBeVisible();
      const list = page.getByRole("list", { name: "Findings" });
      for (const finding of figures.findings.slice(0, 4)) {
        const row = list.getByRole("button", { name: finding.title }).first();
        await expect(row).toBeVisible();
        if (finding.needed > 0)
          await expect(
            list
              .getByRole("button")
              .filter({ hasText: finding.measuredText })
              .first(),
          ).toBeVisible();
      }
    }
  });
