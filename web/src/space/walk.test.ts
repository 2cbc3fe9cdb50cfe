import { describe, expect, it } from "vitest";
import { Ground, walker } from "./walk";

const box = (x: number, y: number, w: number, d: number) => [x, y, x + w, y, x + w, y + d, x, y + d];

/** How far a point is from a box, in mm; less than 0 within. */
function off([x, y, , , right, top]: readonly number[], at: { x: number; y: number }) {
  const [dx, dy] = [Math.max(x! - at.x, 0, at.x - right!), Math.max(y! - at.y, 0, at.y - top!)];
  return dx || dy ? Math.hypot(dx, dy) : -1;
}

describe("walking", () => {
  it("goes where nothing is in the way, and slides along what is", () => {
    const ground = new Ground([box(0, 0, 4000, 200)]);
    expect(ground.step({ x: 1000, y: 900 }, { x: 1300, y: 800 })).toEqual({ x: 1300, y: 800 });
    const slid = ground.step({ x: 1000, y: 460 }, { x: 1200, y: 300 });
    expect(slid.x).toBeCloseTo(1200, 3);
    expect(slid.y).toBeCloseTo(200 + walker, 3);
  });

  it("never ends inside an obstacle, however it is walked", () => {
    let seed = 7;
    const next = () => ((seed = (seed * 1103515245 + 12345) % 2147483648), seed / 2147483648);
    const boxes = Array.from({ length: 60 }, () =>
      box(next() * 12_000, next() * 9000, 200 + next() * 1500, 200 + next() * 1500),
    );
    const ground = new Ground(boxes);
    let [at, nearest] = [{ x: -1000, y: -1000 }, Infinity];
    for (let i = 0; i < 20_000; i++) {
      at = ground.step(at, { x: at.x + (next() - 0.47) * 400, y: at.y + (next() - 0.47) * 400 });
      if (at.x > 14_000 || at.y > 11_000) at = { x: -1000, y: -1000 };
      nearest = Math.min(nearest, ...boxes.map((one) => off(one, at)));
    }
    expect(nearest).toBeGreaterThan(walker - 1);
  });
});
