import { describe, expect, it } from "vitest";
import { Viewport } from "./viewport";

describe("viewport", () => {
  const view = new Viewport(0.05, 100, 700);

  it("turns y over and comes back", () => {
    expect(view.toScreen({ x: 2000, y: 1000 })).toEqual({ x: 200, y: 650 });
    expect(view.toLevel({ x: 200, y: 650 })).toEqual({ x: 2000, y: 1000 });
  });
  it("keeps what lies under the pointer while zooming", () => {
    const at = { x: 333, y: 222 };
    const before = view.toLevel(at);
    const after = view.zoomed(1.7, at).toLevel(at);
    expect(after.x).toBeCloseTo(before.x, 6);
    expect(after.y).toBeCloseTo(before.y, 6);
  });
  it("fits a box with its margin", () => {
    const fitted = Viewport.fitting({ minX: 0, minY: 0, maxX: 18000, maxY: 13000 }, 752, 692);
    const a = fitted.toScreen({ x: 0, y: 13000 });
    const b = fitted.toScreen({ x: 18000, y: 0 });
    expect(a.x).toBeGreaterThanOrEqual(69.9);
    expect(b.x).toBeLessThanOrEqual(752 - 69.9);
    expect((a.y + b.y) / 2).toBeCloseTo(346, 6);
  });
  it("brings places into the part that nothing covers, and stays when they are there", () => {
    const free = { minX: 50, minY: 100, maxX: 700, maxY: 500 };
    const inFree = (next: Viewport, points: { x: number; y: number }[]) =>
      points.every((p) => {
        const at = next.toScreen(p);
        return at.x > 49.9 && at.x < 700.1 && at.y > 99.9 && at.y < 500.1;
      });
    const here = [{ x: 1000, y: 6000 }];
    expect(view.showing(here, free)).toBe(view);
    for (const far of [
      [{ x: -4000, y: 0 }],
      [{ x: 1000, y: 13000 }],
      [here[0]!, { x: 14000, y: 6000 }],
      [here[0]!, { x: 1000, y: -9000 }],
    ]) {
      const next = view.showing(far, free);
      expect(inFree(next, far)).toBe(true);
      expect(next.scale).toBeLessThanOrEqual(view.scale);
    }
    expect(view.showing([{ x: -4000, y: 0 }], free).scale).toBe(view.scale);
  });
  it("stops at its limits", () => {
    expect(view.zoomed(1e9, { x: 0, y: 0 }).scale).toBeCloseTo(96 / 25.4, 9);
    expect(view.zoomed(1e-9, { x: 0, y: 0 }).scale).toBeCloseTo(96 / 25.4 / 2000, 9);
    // A whole kilometre that was fitted lies beyond; it does not jump when somebody zooms.
    const far = new Viewport(0.0005, 0, 0);
    expect(far.zoomed(0.5, { x: 0, y: 0 }).scale).toBe(0.0005);
    expect(far.zoomed(1.5, { x: 0, y: 0 }).scale).toBeCloseTo(0.00075, 9);
  });
});
