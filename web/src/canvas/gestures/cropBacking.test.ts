import { describe, expect, it } from "vitest";
import { cropOf } from "./cropBacking";

describe("a crop that is dragged", () => {
  const backing = { columns: 800, rows: 600 };

  it("takes off what lies outside the box, whichever way it was drawn", () => {
    const crop = { cropLeft: 100, cropRight: 300, cropTop: 50, cropBottom: 150 };
    expect(cropOf(backing, { x: 100, y: 50 }, { x: 500, y: 450 })).toEqual(crop);
    expect(cropOf(backing, { x: 500, y: 50.3 }, { x: 99.8, y: 450 })).toEqual(crop);
  });
  it("stays within the picture", () => {
    expect(cropOf(backing, { x: -90, y: -5 }, { x: 5000, y: 300 })).toEqual({
      cropLeft: 0,
      cropRight: 0,
      cropTop: 0,
      cropBottom: 300,
    });
  });
});
