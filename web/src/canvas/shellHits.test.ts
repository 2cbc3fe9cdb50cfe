import { describe, expect, it } from "vitest";
import type { Backing, Thing, ShellView } from "../app/api";
import { inFrame, outOf } from "./frames";
import { alongWall, looseAt, pixelAt, shellAt, within } from "./shellHits";

const square = [
  { x: 0, y: -100 },
  { x: 4000, y: -100 },
  { x: 4000, y: 100 },
  { x: 0, y: 100 },
];
const shell = {
  openings: [{ id: "door", x: 1000, y: 0, rotation: 0, wallThickness: 200 }],
  wallViews: [{ id: "wall", outline: square }],
} as unknown as ShellView;
const things = {
  standing: [
    { id: "platform", x: 3000, y: 500, rotation: 0, width: 2000, depth: 1500 },
    { id: "column", x: 3000, y: 500, rotation: 45, width: 300, depth: 300 },
  ] as Thing[],
  openings: [{ id: "door", width: 900 }],
  boundaries: [{ id: "edge", start: { x: 0, y: 3000 }, end: { x: 4000, y: 3000 } }],
  lines: [{ id: "line", x: 0, y: 2000, angle: 90 }],
  backings: [
    { id: "sketch", x: 0, y: 0, rotation: 0, scale: 10, columns: 400, rows: 300, locked: false },
    { id: "locked", x: 0, y: 0, rotation: 0, scale: 10, columns: 400, rows: 300, locked: true },
  ] as Backing[],
};
const at = (x: number, y: number, reach = 20) => shellAt({ x, y }, reach, shell, things).map((hit) => hit.id);

describe("what of the shell lies at a point", () => {
  it("is the opening before the wall it is in", () => {
    expect(at(1100, 0).slice(0, 2)).toEqual(["door", "wall"]);
    expect(at(1600, 0)[0]).toBe("wall");
  });
  it("is the smaller fixed thing before the larger", () => {
    expect(at(3000, 500).slice(0, 2)).toEqual(["column", "platform"]);
    expect(at(2200, 500)[0]).toBe("platform");
  });
  it("is a line or a boundary within reach, and a picture that is not locked beneath all", () => {
    expect(at(10, 2500)).toEqual(["line", "sketch"]);
    expect(at(2000, 3015)).toEqual(["edge"]);
    expect(at(2000, 2500)).toEqual(["sketch"]);
    expect(at(-500, -500)).toEqual([]);
  });
});

describe("frames", () => {
  it("go out and come back", () => {
    const frame = { x: 500, y: -200, rotation: 33 };
    const back = inFrame(frame, outOf(frame, { x: 120, y: 70 }));
    expect(back.x).toBeCloseTo(120, 9);
    expect(back.y).toBeCloseTo(70, 9);
  });
  it("find the pixel of a turned picture under a point", () => {
    const backing = { x: 100, y: 200, rotation: 90, scale: 5, columns: 400, rows: 300 } as Backing;
    // Its bottom left corner is the pixel at column 0, row 300; turned by 90 its columns run north.
    expect(pixelAt(backing, { x: 100, y: 200 })).toEqual({ x: 0, y: 300 });
    const north = pixelAt(backing, { x: 100, y: 700 });
    expect(north.x).toBeCloseTo(100, 6);
    expect(north.y).toBeCloseTo(300, 6);
  });
  it("tell inside from outside and how far along a wall", () => {
    expect(within(square, { x: 10, y: 0 })).toBe(true);
    expect(within(square, { x: 10, y: 200 })).toBe(false);
    const wall = { start: { x: 0, y: 0 }, end: { x: 3000, y: 4000 } } as Parameters<typeof alongWall>[0];
    expect(alongWall(wall, { x: 1500, y: 2000 })).toBeCloseTo(2500, 9);
  });
});

describe("zones and marks", () => {
  const zone = { id: "zone", type: "zone", levelId: "l", x: 0, y: 0, rotation: 0, width: 6000, depth: 4000 };
  const mark = {
    id: "mark",
    type: "mark",
    levelId: "l",
    x: 500,
    y: 500,
    rotation: 90,
    width: 1000,
    depth: 300,
  };

  it("take a large one by its edges only, so that the floor in it stays free", () => {
    expect(looseAt({ x: 100, y: 100 }, 40, [zone])).toEqual([]);
    expect(looseAt({ x: 2980, y: 100 }, 40, [zone])).toEqual([{ id: "zone", kind: "thing" }]);
    expect(looseAt({ x: 3050, y: 100 }, 40, [zone])).toEqual([]);
  });

  it("take a small one anywhere, and before the large one around it", () => {
    expect(looseAt({ x: 520, y: 900 }, 40, [zone, mark])).toEqual([{ id: "mark", kind: "thing" }]);
    expect(looseAt({ x: 900, y: 520 }, 40, [zone, mark])).toEqual([]);
  });
});
