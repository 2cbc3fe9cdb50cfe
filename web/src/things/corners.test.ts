import { describe, expect, it } from "vitest";
import type { Thing } from "../app/api";
import { cornerAdded, cornerMoved, cornerRemoved, cornersOf, isDrawn } from "./corners";

const way = {
  id: "w",
  type: "walkway",
  levelId: "l",
  x: 100,
  y: 200,
  rotation: 90,
  width: 1,
  depth: 1,
  line: [
    { x: 0, y: 0 },
    { x: 1000, y: 0 },
  ],
} as Thing;
const zone = {
  ...way,
  type: "zone",
  line: undefined,
  rotation: 0,
  shape: {
    rings: [
      [
        { x: 0, y: 0 },
        { x: 10, y: 0 },
        { x: 0, y: 10 },
      ],
    ],
    rooms: ["r"],
  },
} as Thing;
const put = (edit: object) => (edit as { thing: Thing }).thing;
const near = (p: { x: number; y: number }, x: number, y: number) => {
  expect(p.x).toBeCloseTo(x, 6);
  expect(p.y).toBeCloseTo(y, 6);
};

describe("corners of drawn things", () => {
  it("are told on the level, whatever the thing is turned by", () => {
    const [a, b] = cornersOf(way);
    near(a!.at, 100, 200);
    near(b!.at, 100, 1200);
  });
  it("are none of a mark, whose shape is a word", () => {
    expect(isDrawn({ ...way, line: undefined, shape: "Reach" })).toBe(false);
    expect(cornersOf({ ...way, line: undefined, shape: "Reach" })).toEqual([]);
    expect(isDrawn(way) && isDrawn(zone)).toBe(true);
  });
  it("are moved where they are put, the others staying", () => {
    const moved = put(cornerMoved(way, { ring: 0, index: 1 }, { x: 500, y: 600 }));
    expect([moved.x, moved.y, moved.rotation]).toEqual([0, 0, 0]);
    const line = moved.line as { x: number; y: number }[];
    near(line[0]!, 100, 200);
    near(line[1]!, 500, 600);
  });
  it("come halfway to the next, and go", () => {
    const added = put(cornerAdded(zone, { ring: 0, index: 2 })).shape as {
      rings: { x: number; y: number }[][];
      rooms: string[];
    };
    expect(added.rooms).toEqual([]);
    expect(added.rings[0]!.length).toBe(4);
    near(added.rings[0]![3]!, 100, 205);
    const gone = put(cornerRemoved(zone, { ring: 0, index: 0 })).shape as { rings: object[][] };
    expect(gone.rings[0]!.length).toBe(2);
  });
});
