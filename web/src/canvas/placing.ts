import type { Near, ShellView } from "../app/api";
import type { Picture } from "./painter";
import type { Box, Point, Viewport } from "./viewport";

/** A measure's end is drawn to a corner of a room or of an item's outline within 9 px. */
export function measureEnd(at: Point, view: Viewport, shell: ShellView | null, picture: Picture): Point {
  const p = view.toLevel(at);
  let best = p;
  let least = 9 / view.scale;
  const see = (q: Point) => {
    const d = Math.hypot(q.x - p.x, q.y - p.y);
    if (d < least) [best, least] = [q, d];
  };
  for (const room of shell?.rooms ?? []) for (const corner of room.outline) see(corner as Point);
  for (const { item, form } of picture.within({
    minX: p.x - least,
    minY: p.y - least,
    maxX: p.x + least,
    maxY: p.y + least,
  })) {
    const angle = (item.rotation * Math.PI) / 180;
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    for (const ring of form.outlines)
      for (const own of ring as Point[])
        see({ x: item.x + own.x * cos - own.y * sin, y: item.y + own.x * sin + own.y * cos });
  }
  return best;
}

/** Chips stand in the middle of their lines, or further along where something already is. Screen pixels. */
export function placeChips(chips: Near[], view: Viewport, taken: Point[]) {
  const used = [...taken];
  const free = (p: Point) => used.every((q) => Math.abs(p.x - q.x) > 46 || Math.abs(p.y - q.y) > 21);
  return chips.map((near) => {
    const [a, b] = [view.toScreen(near.from as Point), view.toScreen(near.to as Point)];
    const along = (t: number) => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
    let at = [0.5, 0.7, 0.3, 0.9, 1.1].map(along).find(free) ?? along(0.5);
    for (let tries = 0; !free(at) && tries < 6; tries++) at = { x: at.x, y: at.y + 22 };
    used.push(at);
    return { near, ...at };
  });
}

/** A box round all of some boxes; a room's worth where there are none. Level, mm. */
export function boxOfAll(boxes: Box[]): Box {
  if (!boxes.length) return { minX: -1000, minY: -1000, maxX: 9000, maxY: 7000 };
  return boxes.reduce((all, box) => ({
    minX: Math.min(all.minX, box.minX),
    minY: Math.min(all.minY, box.minY),
    maxX: Math.max(all.maxX, box.maxX),
    maxY: Math.max(all.maxY, box.maxY),
  }));
}

export const boxOfPoints = (points: Point[]) =>
  boxOfAll(points.map(({ x, y }) => ({ minX: x, minY: y, maxX: x, maxY: y })));
