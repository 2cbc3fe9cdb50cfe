import { describe, expect, it } from "vitest";
import { coarseOf } from "./coarse";

const part = (tinted: boolean, size: number, tone: string) => ({
  tone,
  tinted,
  glass: false,
  corners: [4],
  places: [0, 0, 0, size, 0, 0, size, size, 0, 0, size, size],
});

describe("things from far off", () => {
  const chair = [
    part(false, 900, "#000000"),
    part(true, 400, "#111111"),
    part(true, 500, "#222222"),
    part(true, 50, "#333333"),
  ];

  it("are boxes of their two largest parts, legs left out", () => {
    const boxes = coarseOf(chair, 1000);
    expect(boxes.map((box) => box.tone)).toEqual(["#222222", "#111111"]);
    for (const box of boxes) expect(box.corners).toEqual([4, 4, 4, 4, 4, 4]);
    expect(Math.max(...boxes[0]!.places)).toBe(500);
  });

  it("are one box each where there are very many, as large as the thing", () => {
    const boxes = coarseOf(chair, 10_000);
    expect(boxes).toHaveLength(1);
    expect(Math.max(...boxes[0]!.places)).toBe(900);
  });

  it("are a box even where no part takes a tint", () => {
    expect(coarseOf([part(false, 100, "#000000")], 500)).toHaveLength(1);
  });
});
