import type { Backing, Thing, ShellView, Wall } from "../app/api";
import { isDrawn } from "../things/corners";
import { inFrame } from "./frames";
import type { Point } from "./viewport";

/** What a hit test finds: a thing of the shell under a point. */
export interface ShellHit {
  id: string;
  kind: "wall" | "opening" | "thing" | "boundary" | "line" | "backing";
}

export function within(ring: Point[], p: Point) {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i]!, ring[j]!];
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

function nearLine(a: Point, b: Point, p: Point) {
  const [ex, ey] = [b.x - a.x, b.y - a.y];
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * ex + (p.y - a.y) * ey) / (ex * ex + ey * ey || 1)));
  return Math.hypot(p.x - a.x - ex * t, p.y - a.y - ey * t);
}

/** Everything of the shell at a point of the level, what is on top first. Reach in mm. */
export function shellAt(
  p: Point,
  reach: number,
  shell: ShellView,
  things: {
    standing: Thing[];
    openings: { id: string; width: number }[];
    boundaries: { id: string; start: Point; end: Point }[];
    lines: { id: string; x: number; y: number; angle: number }[];
    backings: Backing[];
  },
): ShellHit[] {
  const hits: ShellHit[] = [];
  for (const place of shell.openings) {
    const own = inFrame(place, p);
    const width = things.openings.find((o) => o.id === place.id)?.width ?? 0;
    if (Math.abs(own.x) <= width / 2 && Math.abs(own.y) <= place.wallThickness / 2 + reach)
      hits.push({ id: place.id, kind: "opening" });
  }
  const small = [...things.standing].sort((a, b) => a.width * a.depth - b.width * b.depth);
  for (const thing of small) {
    const own = inFrame(thing, p);
    if (Math.abs(own.x) <= thing.width / 2 + reach && Math.abs(own.y) <= thing.depth / 2 + reach)
      hits.push({ id: thing.id, kind: "thing" });
  }
  for (const wall of shell.wallViews)
    if (within(wall.outline as Point[], p)) hits.push({ id: wall.id, kind: "wall" });
  if (!hits.some((hit) => hit.kind === "wall"))
    for (const wall of shell.wallViews) {
      const ring = wall.outline as Point[];
      if (ring.some((a, i) => nearLine(a, ring[(i + 1) % ring.length]!, p) <= reach))
        hits.push({ id: wall.id, kind: "wall" });
    }
  for (const { id, start, end } of things.boundaries)
    if (nearLine(start, end, p) <= reach * 1.5) hits.push({ id, kind: "boundary" });
  for (const line of things.lines)
    if (Math.abs(inFrame({ x: line.x, y: line.y, rotation: line.angle }, p).y) <= reach)
      hits.push({ id: line.id, kind: "line" });
  for (const backing of things.backings) {
    if (backing.locked) continue;
    const own = inFrame(backing as Required<Backing>, p);
    const [width, height] = [backing.columns * backing.scale, backing.rows * backing.scale];
    if (own.x >= 0 && own.x <= width && own.y >= 0 && own.y <= height)
      hits.push({ id: backing.id, kind: "backing" });
  }
  return hits;
}

/**
 * Zones, walkways and marks at a point. Those that take much floor are taken by their edges, so that what stands in them can be
 * pressed, and the floor be dragged over. One with an outline of its own is there where that is.
 */
export function looseAt(
  p: Point,
  reach: number,
  standing: Thing[],
  outlinesOf: (id: string) => Point[][] = () => [],
): ShellHit[] {
  const small = [...standing].sort((a, b) => a.width * a.depth - b.width * b.depth);
  return small
    .filter((thing) => {
      const own = inFrame(thing, p);
      const [x, y] = [Math.abs(own.x) - thing.width / 2, Math.abs(own.y) - thing.depth / 2];
      if (x > reach || y > reach) return false;
      const isSmall = thing.width * thing.depth < 4e6;
      if (!isDrawn(thing)) return isSmall || x > -reach || y > -reach;
      const rings = outlinesOf(thing.id);
      return (
        (isSmall && rings.some((ring) => within(ring, p))) ||
        rings.some((ring) => ring.some((a, i) => nearLine(a, ring[(i + 1) % ring.length]!, p) <= reach))
      );
    })
    .map((thing) => ({ id: thing.id, kind: "thing" }));
}

/** How far along a straight wall a point lies, from its start in mm. */
export function alongWall(wall: Wall, p: Point) {
  const [s, e] = [wall.start as Point, wall.end as Point];
  const length = Math.hypot(e.x - s.x, e.y - s.y) || 1;
  return ((p.x - s.x) * (e.x - s.x) + (p.y - s.y) * (e.y - s.y)) / length;
}

/** The pixel of a backing at a point of the level. */
export function pixelAt(backing: Backing, p: Point): Point {
  const own = inFrame(backing as Required<Backing>, p);
  return { x: own.x / backing.scale, y: backing.rows - own.y / backing.scale };
}
