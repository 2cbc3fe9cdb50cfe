import type { Point } from "../canvas/viewport";

/** Half as wide as who walks, in mm. */
export const walker = 250;

/** What is in the way, in squares of a grid: each a convex outline, x and y one after another, counter-clockwise. */
export class Ground {
  private readonly squares = new Map<string, (readonly number[])[]>();
  constructor(
    obstacles: readonly (readonly number[])[],
    private readonly square = 1000,
  ) {
    for (const one of obstacles) {
      const [xs, ys] = [one.filter((_, i) => i % 2 === 0), one.filter((_, i) => i % 2 === 1)];
      for (let x = this.of(Math.min(...xs) - walker); x <= this.of(Math.max(...xs) + walker); x++)
        for (let y = this.of(Math.min(...ys) - walker); y <= this.of(Math.max(...ys) + walker); y++) {
          const key = `${x},${y}`;
          const known = this.squares.get(key);
          if (known) known.push(one);
          else this.squares.set(key, [one]);
        }
    }
  }
  private of(along: number) {
    return Math.floor(along / this.square);
  }

  /** Where who wants to step there comes to stand: pushed out of what is in the way; where that does not help they stay. */
  step(from: Point, to: Point): Point {
    let at = to;
    for (let tries = 0; tries < 3; tries++) {
      const push = this.pushAt(at);
      if (!push) return at;
      at = { x: at.x + push.x, y: at.y + push.y };
    }
    return this.pushAt(at) ? from : at;
  }

  isFree(at: Point) {
    return !this.pushAt(at);
  }

  private pushAt(at: Point): Point | null {
    let deepest: Point | null = null;
    let depth = 0.5;
    for (const one of this.squares.get(`${this.of(at.x)},${this.of(at.y)}`) ?? []) {
      const push = outOf(one, at);
      const length = push ? Math.hypot(push.x, push.y) : 0;
      if (length > depth) [deepest, depth] = [push, length];
    }
    return deepest;
  }
}

/** The shortest move that takes a disc off a convex outline; null where it does not touch it. */
function outOf(ring: readonly number[], at: Point): Point | null {
  let [inside, nearest, out] = [true, Infinity, { x: 0, y: 0 }];
  let foot = at;
  for (let i = 0; i < ring.length; i += 2) {
    const [ax, ay] = [ring[i]!, ring[i + 1]!];
    const [bx, by] = [ring[(i + 2) % ring.length]!, ring[(i + 3) % ring.length]!];
    const [dx, dy] = [bx - ax, by - ay];
    const length = Math.hypot(dx, dy) || 1;
    const across = ((at.x - ax) * dy - (at.y - ay) * dx) / length;
    if (across > 0) inside = false;
    const along = Math.min(1, Math.max(0, ((at.x - ax) * dx + (at.y - ay) * dy) / (length * length)));
    const p = { x: ax + along * dx, y: ay + along * dy };
    const off = Math.hypot(at.x - p.x, at.y - p.y);
    if (off < nearest) [nearest, foot, out] = [off, p, { x: dy / length, y: -dx / length }];
  }
  if (inside) return { x: out.x * (nearest + walker), y: out.y * (nearest + walker) };
  if (nearest >= walker) return null;
  const off = Math.max(1e-6, nearest);
  return { x: ((at.x - foot.x) / off) * (walker - nearest), y: ((at.y - foot.y) / off) * (walker - nearest) };
}
