import { describe, expect, it, vi } from "vitest";
import { afterReading, figuresRead, readFigure } from "./readFigure";

/** How long each figure takes to be read, in ms. */
const waits: Record<string, number> = { "810": 60, "150": 20, gone: 30 };

vi.mock("../app/api", () => ({
  api: {
    POST: async (_: string, { body }: { body: { text: string } }) => {
      await new Promise((done) => setTimeout(done, waits[body.text] ?? 0));
      if (body.text === "gone") throw new TypeError("no answer");
      return { data: { value: Number(body.text), problem: null, position: 0 } };
    },
  },
}));

describe("figures", () => {
  it("are taken in the order they were typed in, whichever is read first", async () => {
    const taken: (number | null)[] = [];
    const take = async (text: string) => taken.push((await readFigure(text, "Metric")).value ?? null);
    const all = [take("810"), take("150"), take("gone"), take("7")];
    afterReading(() => taken.push(99));
    await Promise.all(all);
    await new Promise((done) => setTimeout(done));
    expect(taken).toEqual([810, 150, null, 7, 99]);
  });

  it("hold up a form until a number typed after a length is taken too", async () => {
    const taken: number[] = [];
    void readFigure("150", "Metric");
    afterReading(() => taken.push(99));
    expect(await figuresRead()).toBe("");
    expect(taken).toEqual([99]);
  });

  it("wait for nothing where none is being read", () => {
    const taken: number[] = [];
    afterReading(() => taken.push(1));
    expect(taken).toEqual([1]);
  });
});
