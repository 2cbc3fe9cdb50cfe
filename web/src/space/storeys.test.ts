import { describe, expect, it } from "vitest";
import type { ModelLevelView } from "../app/api";
import { footing } from "./storeys";

const level = (levelId: string, more: Partial<ModelLevelView>): ModelLevelView => ({
  levelId,
  name: levelId,
  elevation: 0,
  height: 3000,
  shell: [],
  nodes: [],
  obstacles: [],
  drawn: [],
  joints: [],
  middle: [0, 0],
  flights: [],
  platforms: [],
  seats: [],
  ...more,
});
// Going up towards +x: turned a quarter clockwise from +y.
const flight = { x: 0, y: 0, rotation: -90, width: 1000, depth: 4000, rise: 3000, toLevelId: "up" };
const levels = [
  level("down", {
    flights: [flight],
    platforms: [{ floor: [5000, 0, 8000, 0, 8000, 3000, 5000, 3000], rise: 400 }],
  }),
  level("up", {}),
];

describe("where one stands", () => {
  it("goes up a flight with its steps, and is on the level above at its head", () => {
    expect(footing(levels, "down", null, { x: -3000, y: 0 })).toEqual({ levelId: "down", floor: 0 });
    expect(footing(levels, "down", null, { x: -2000, y: 0 }).floor).toBeCloseTo(0);
    expect(footing(levels, "down", null, { x: 0, y: 300 }).floor).toBeCloseTo(1500);
    expect(footing(levels, "down", { x: 1950, y: 0 }, { x: 2150, y: 0 })).toEqual({
      levelId: "up",
      floor: 0,
    });
  });
  it("does not change levels beside a flight or at its foot", () => {
    expect(footing(levels, "down", { x: -1950, y: 0 }, { x: -2150, y: 0 }).levelId).toBe("down");
    expect(footing(levels, "down", null, { x: 0, y: 700 })).toEqual({ levelId: "down", floor: 0 });
  });
  it("goes down where the floor is open", () => {
    const down = footing(levels, "up", { x: 2150, y: 0 }, { x: 1900, y: 0 });
    expect(down.levelId).toBe("down");
    expect(down.floor).toBeCloseTo((3000 * 3900) / 4000);
    expect(footing(levels, "up", null, { x: 3000, y: 0 })).toEqual({ levelId: "up", floor: 0 });
  });
  it("stands on platforms", () => {
    expect(footing(levels, "down", null, { x: 6000, y: 1000 }).floor).toBe(400);
    expect(footing(levels, "down", null, { x: 6000, y: 3100 }).floor).toBe(0);
  });
  it("stays where it is told of no level", () =>
    expect(footing([], "none", null, { x: 0, y: 0 })).toEqual({ levelId: "none", floor: 0 }));
});
