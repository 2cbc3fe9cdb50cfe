import { beforeAll, describe, expect, it } from "vitest";
import type { ThingView } from "../app/api";
import { RecordingSurface } from "../canvas/recording";
import { Viewport } from "../canvas/viewport";
import { paintThings } from "./paintThings";

beforeAll(() => {
  Object.assign(globalThis, { Path2D: class {} });
});

const thing = (role: string, texts: object[] = [], tint = "#E0E7DA") =>
  ({ id: "a", parts: [{ role, path: "M0 0", tint }], texts }) as unknown as ThingView;
const painted = (one: ThingView, scale = 0.05, ratio = 2) => {
  const recording = new RecordingSurface();
  paintThings(recording.surface, new Viewport(scale, 100, 400), ratio, [one], "#17211E");
  return recording;
};

describe("things as the server describes them", () => {
  it("are filled and lined by the role of each part, whatever their kind", () => {
    expect(painted(thing("Body")).drawn.map((d) => [d.what, d.style])).toEqual([
      ["fill", "#FFFFFF"],
      ["stroke", "#17211E"],
    ]);
    expect(painted(thing("Tinted")).drawn.map((d) => [d.what, d.style])).toEqual([["fill", "#E0E7DA"]]);
    expect(painted(thing("Dashed")).drawn).toMatchObject([{ what: "stroke", dashed: true }]);
  });
  it("have lines as wide on the screen however near one looks", () => {
    for (const scale of [0.01, 0.05, 0.4])
      expect(painted(thing("Heavy"), scale).drawn[0]!.width).toBeCloseTo(4);
  });
  it("are lettered at their true size, and a name only where there is room", () => {
    const sized = thing("Line", [{ text: "STAGE", at: { x: 1000, y: 2000 }, size: 400, rotation: 0 }]);
    const near = painted(sized).written[0]!;
    expect(near.font).toContain("20px");
    expect([near.x, near.y]).toEqual([300, expect.closeTo(2 * (400 - 100 + 0.35 * 20), 6)]);
    expect(painted(sized, 0.01).written).toHaveLength(0);
    const named = thing("Line", [{ text: "Zone", at: { x: 0, y: 0 } }]);
    expect(painted(named, 0.05).written).toHaveLength(1);
    expect(painted(named, 0.02).written).toHaveLength(0);
  });
});
