import { describe, expect, it } from "vitest";
import type { OpenPlan } from "../plan/openPlan.svelte";
import { beforeOf, lastOf, newChain, questionOf } from "./chain";

const plan = { levelId: "level", newId: (kind: string) => `${kind}-1` } as unknown as OpenPlan;
const p = (x: number, y: number) => ({ x, y });
const side = (x: number, y: number, through?: { x: number; y: number }) => ({
  to: p(x, y),
  bow: 0,
  certainty: "Surveyed" as const,
  through,
});

describe("a chain being drawn", () => {
  it("has no last corner before it has begun, then its start, then its newest", () => {
    const empty = newChain(plan, {});
    expect(lastOf(empty)).toBeNull();
    expect(lastOf({ ...empty, start: p(1, 2) })).toEqual(p(1, 2));
    expect(lastOf({ ...empty, start: p(1, 2), sides: [side(5, 2)] })).toEqual(p(5, 2));
  });
  it("turns from the corner before, or from the point a curve passed", () => {
    const chain = newChain(plan, { start: p(0, 0), sides: [side(4, 0), side(4, 3)] });
    expect(beforeOf(chain)).toEqual(p(4, 0));
    expect(beforeOf({ ...chain, sides: [side(4, 0, p(2, 1))] })).toEqual(p(2, 1));
    expect(beforeOf(newChain(plan, { start: p(0, 0) }))).toBeNull();
  });
  it("offers its start to close on only once it has two sides", () => {
    const one = newChain(plan, { start: p(0, 0), sides: [side(4, 0)] });
    expect(questionOf(plan, one, p(1, 1), 50).start).toBeUndefined();
    const two = { ...one, sides: [...one.sides, side(4, 3)] };
    expect(questionOf(plan, two, p(1, 1), 50)).toMatchObject({
      from: p(4, 3),
      before: p(4, 0),
      start: p(0, 0),
      levelId: "level",
    });
  });
});
