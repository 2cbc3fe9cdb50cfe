import { describe, expect, it } from "vitest";
import type { Backing } from "../app/api";
import { paintBacking, type BackingPictures } from "./backings";
import { RecordingSurface } from "./recording";
import { Viewport } from "./viewport";

const backing = (more: Partial<Backing> = {}) =>
  ({ pictureId: "p", x: 1000, y: 500, rotation: 0, scale: 10, columns: 800, rows: 600, ...more }) as Backing;
const pictures = (levels: { width: number; height: number }[] | null, missing = false) =>
  ({ get: () => (levels ? { levels } : null), isMissing: () => missing }) as unknown as BackingPictures;
const view = new Viewport(0.05, 0, 500);
const everything = { x: -5000, y: -5000, w: 20_000, h: 20_000 };

function corners(one: Backing, levels: { width: number; height: number }[] | null, rect = everything) {
  const recording = new RecordingSurface();
  paintBacking(recording.surface, view, 1, rect, one, pictures(levels));
  return recording.images[0];
}

describe("a picture beneath the plan", () => {
  it("lies with its lower left corner where the plan says, at its scale", () => {
    const [from, to] = corners(backing(), [{ width: 800, height: 600 }])!;
    // Up is up: the picture's last row is at y = 500 mm, its first at 6500.
    expect(from).toEqual({ x: 50, y: expect.closeTo(500 - 325) });
    expect(to).toEqual({ x: expect.closeTo(450), y: expect.closeTo(475) });
  });
  it("turns about that corner counter-clockwise", () => {
    const [from, to] = corners(backing({ rotation: 90 }), [{ width: 800, height: 600 }])!;
    // Its lower left corner stays; its width now runs up the page.
    expect(from!.x).toBeCloseTo(50 - 300);
    expect(from!.y).toBeCloseTo(475);
    expect(to!.x).toBeCloseTo(50);
    expect(to!.y).toBeCloseTo(475 - 400);
  });
  it("shows only what is not cropped, from whichever copy", () => {
    const whole = corners(backing({ cropLeft: 100, cropBottom: 200 }), [{ width: 800, height: 600 }])!;
    const half = corners(backing({ cropLeft: 100, cropBottom: 200 }), [
      { width: 800, height: 600 },
      { width: 400, height: 300 },
    ])!;
    expect(half).toEqual(whole);
    expect(whole[0]!.x).toBeCloseTo(50 + 50);
    expect(whole[1]!.y).toBeCloseTo(475 - 100);
  });
  it("reads only the part that shows", () => {
    const [from, to] = corners(backing(), [{ width: 800, height: 600 }], { x: 100, y: 200, w: 50, h: 50 })!;
    expect(from!.x).toBeGreaterThan(95);
    expect(to!.x).toBeLessThan(155);
    expect(
      corners(backing(), [{ width: 800, height: 600 }], { x: 5000, y: 0, w: 10, h: 10 }),
    ).toBeUndefined();
  });
  it("is a frame until it is loaded", () => {
    expect(corners(backing(), null)).toHaveLength(2);
  });
});
