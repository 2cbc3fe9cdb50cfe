import { describe, expect, it } from "vitest";
import type { Near } from "../app/api";
import { placeChips } from "./placing";
import { Viewport } from "./viewport";

const near = (x1: number, x2: number, y: number) =>
  ({ otherId: `${x1}`, from: { x: x1, y }, to: { x: x2, y } }) as Near;

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
