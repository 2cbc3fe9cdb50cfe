import { describe, expect, it } from "vitest";
import type { Near, Wall } from "../app/api";
import { placeChips, wallAt } from "./placing";
import { Viewport } from "./viewport";

const wall = (id: string, x1: number, y1: number, x2: number, y2: number) =>
  ({ id, start: { x: x1, y: y1 }, end: { x: x2, y: y2 }, thickness: 200 }) as Wall;
const near = (x1: number, x2: number, y: number) =>
  ({ otherId: `${x1}`, from: { x: x1, y }, to: { x: x2, y } }) as Near;

describe("the wall under the pointer", () => {
  const walls = [wall("south", 0, 0, 6000, 0), wall("west", 0, 4000, 0, 0)];

  it("is the nearest within reach, with the place along it and the side", () => {
    expect(wallAt(walls, { x: 2500, y: 300 })).toEqual({ id: "south", along: 2500, left: true });
    expect(wallAt(walls, { x: 2500, y: -300 })).toEqual({ id: "south", along: 2500, left: false });
    expect(wallAt(walls, { x: 100, y: 350 })).toMatchObject({ id: "west", along: 3650 });
  });
  it("is none out in the room or past an end", () => {
    expect(wallAt(walls, { x: 3000, y: 2000 })).toBeNull();
    expect(wallAt(walls, { x: 6400, y: 0 })).toBeNull();
  });
});

describe("chips", () => {
  const view = new Viewport(0.05, 0, 500);

  it("stand in the middle of their line", () => {
    expect(placeChips([near(0, 4000, 1000)], view, [])[0]).toMatchObject({ x: 100, y: 450 });
  });
  it("keep off each other and off what is taken", () => {
    const placed = placeChips([near(0, 4000, 1000), near(0, 4000, 1000), near(0, 4000, 1000)], view, [
      { x: 100, y: 450 },
    ]);
    for (let i = 0; i < placed.length; i++)
      for (let j = 0; j < i; j++)
        expect(Math.abs(placed[i]!.x - placed[j]!.x) > 46 || Math.abs(placed[i]!.y - placed[j]!.y) > 21).toBe(
          true,
        );
  });
});
