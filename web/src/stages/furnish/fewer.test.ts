import { MeshoptSimplifier } from "meshoptimizer/simplifier";
import { beforeAll, describe, expect, it } from "vitest";
import type { OwnMesh } from "../../app/api";
import { fewer, type Simplifier } from "./fewer";

/** A ball of so many rings, in two tones. */
function ball(rings: number): OwnMesh {
  const corners: number[] = [];
  const triangles: number[] = [];
  for (let i = 0; i <= rings; i++)
    for (let j = 0; j < 2 * rings; j++) {
      const [up, round] = [(Math.PI * i) / rings, (Math.PI * j) / rings];
      corners.push(
        500 * Math.sin(up) * Math.cos(round),
        500 * Math.sin(up) * Math.sin(round),
        500 + 500 * Math.cos(up),
      );
    }
  for (let i = 0; i < rings; i++)
    for (let j = 0; j < 2 * rings; j++) {
      const [a, b] = [i * 2 * rings + j, i * 2 * rings + ((j + 1) % (2 * rings))];
      triangles.push(a, a + 2 * rings, b, b, a + 2 * rings, b + 2 * rings);
    }
  const all = triangles.length / 3;
  const first = Math.floor(all / 4);
  return {
    corners,
    triangles,
    tones: [
      { tone: "#112233", triangles: first },
      { tone: "#445566", triangles: all - first },
    ],
  };
}

describe("making triangles fewer", () => {
  beforeAll(() => MeshoptSimplifier.ready);
  const library = MeshoptSimplifier as unknown as Simplifier;

  it("keeps within the budget, its size and its tones", () => {
    const mesh = ball(80);
    expect(mesh.triangles.length / 3).toBeGreaterThan(20_000);
    const made = fewer(mesh, 1500, library);
    const count = made.triangles.length / 3;
    expect(count).toBeLessThanOrEqual(1500);
    expect(count).toBeGreaterThan(600);
    expect(made.tones.map(({ tone }) => tone)).toEqual(["#112233", "#445566"]);
    expect(made.tones.reduce((sum, { triangles }) => sum + triangles, 0)).toBe(count);
    expect(Math.max(...made.triangles)).toBeLessThan(made.corners.length / 3);
    const zs = made.corners.filter((_, i) => i % 3 === 2);
    expect(Math.max(...zs)).toBeGreaterThan(980);
    expect(Math.min(...zs)).toBeLessThan(20);
  });
  it("leaves what is few enough, but for corners nothing uses", () => {
    const made = fewer(
      {
        corners: [9, 9, 9, 0, 0, 0, 1, 0, 0, 0, 1, 0],
        triangles: [1, 2, 3],
        tones: [{ tone: "#112233", triangles: 1 }],
      },
      10,
      library,
    );
    expect(made.corners).toEqual([0, 0, 0, 1, 0, 0, 0, 1, 0]);
    expect(made.triangles).toEqual([0, 1, 2]);
  });
  it("keeps within the budget though every triangle hangs alone", () => {
    const corners: number[] = [];
    for (let i = 0; i < 9000; i++) corners.push((i * 37) % 1000, (i * 91) % 1000, (i * 13) % 800);
    const triangles = Array.from({ length: 9000 }, (_, i) => i);
    const made = fewer({ corners, triangles, tones: [{ tone: "#112233", triangles: 3000 }] }, 500, library);
    expect(made.triangles.length / 3).toBeLessThanOrEqual(500);
    expect(made.triangles.length).toBeGreaterThan(0);
  });
});
