import { describe, expect, it } from "vitest";
import { shade, trianglesOf } from "./faces";

const square = {
  tone: "#804020",
  tinted: true,
  glass: false,
  corners: [4, 3],
  places: [0, 0, 0, 1000, 0, 0, 1000, 1000, 0, 0, 1000, 0, 0, 0, 0, 0, 0, 1000, 0, 1000, 0],
};

describe("faces as triangles", () => {
  it("fans each face from its first corner, in metres", () => {
    const { places } = trianglesOf(square);
    expect(places).toHaveLength(3 * 9);
    expect([...places.slice(9, 18)]).toEqual([0, 0, 0, 1, 1, 0, 0, 1, 0]);
  });

  it("gives each its tone by the way it looks", () => {
    const { tones } = trianglesOf(square);
    const [r] = shade([0, 0, 1]);
    expect(tones[0]).toBeCloseTo((0x80 / 255) * r, 5);
    // The second looks west, away from the light by less than one that looks down.
    expect(tones[18]).not.toBeCloseTo(tones[0]!, 3);
    expect(shade([0, 0, 1])[1]).toBeGreaterThan(shade([0, 1, 0])[1]);
    expect(shade([0, 0, -1])[1]).toBeLessThan(shade([0, 1, 0])[1]);
  });

  it("takes a tint where a finish shows, and only there", () => {
    expect(trianglesOf(square, "#ffffff").tones[0]).toBeGreaterThan(trianglesOf(square).tones[0]!);
    expect(trianglesOf({ ...square, tinted: false }, "#ffffff").tones[0]).toBe(trianglesOf(square).tones[0]);
  });
});
